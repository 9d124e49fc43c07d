import js from "@eslint/js";
import importX from "eslint-plugin-import-x";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

/**
 * The floors of the page, from the ground up; folders of one floor are in their order too. A folder imports from those
 * before it and from none after, so there is no circle between folders.
 */
const FLOORS = [
  ["theme", "api", "kit", "quantities", "chart"],
  ["draft", "drawing"],
  [
    "climate",
    "account",
    "gardens",
    "shelf",
    "shapes",
    "findings",
    "nutrients",
    "planting",
    "settling",
    "sure",
  ],
  ["schools", "section", "water", "frame", "plot", "measuring", "blend", "haul"],
  ["papers", "outdoors", "sharing", "wishes"],
  ["app"],
];
const ORDER = FLOORS.flat();

/** draft and drawing stand beside each other, and neither knows the other. */
const APART = [["drawing", "draft"]];

const zones = [
  ...ORDER.map((folder, at) => ({
    target: `src/${folder}`,
    from: ORDER.slice(at + 1).map((each) => `src/${each}`),
  })),
  ...APART.map(([target, from]) => ({ target: `src/${target}`, from: [`src/${from}`] })),
]
  .filter(({ from }) => from.length > 0)
  .map(({ target, from }) => ({
    target,
    from,
    message: "Folders import from the floors below them: see FLOORS in eslint.config.js.",
  }));

/** Controls and what belongs to them come from the theme; drawings to scale draw themselves. */
const BARE =
  "button input select option textarea label fieldset legend table thead tbody tr td th details summary dialog progress meter a h1 h2 h3 hr".split(
    " ",
  );
const bareElements = BARE.map((name) => ({
  selector: `JSXOpeningElement[name.name="${name}"]`,
  message: `<${name}> is written in theme/ and drawing/ alone; elsewhere it is a component of the theme.`,
}));

/** Text is written as text: what somebody typed is never read as HTML. */
const rawHtml = {
  selector: 'JSXAttribute[name.name="dangerouslySetInnerHTML"]',
  message: "What is typed is written as text.",
};

export default tseslint.config(
  { ignores: ["dist", "node_modules", "src/api/generated.ts", "src/api/rules.ts"] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    files: ["src/**/*.{ts,tsx}", "testing/*.ts"],
    plugins: { "import-x": importX, "react-hooks": reactHooks },
    settings: {
      "import-x/resolver": { node: { extensions: [".ts", ".tsx"] } },
      "import-x/parsers": { "@typescript-eslint/parser": [".ts", ".tsx"] },
    },
    rules: {
      "import-x/no-cycle": "error",
      "import-x/no-restricted-paths": ["error", { zones }],
      "@typescript-eslint/consistent-type-imports": "error",
      "max-lines": ["error", { max: 400, skipBlankLines: true }],
      "react-hooks/rules-of-hooks": "error",
      "react-hooks/exhaustive-deps": "error",
    },
  },
  { files: ["src/**/*.tsx"], rules: { "no-restricted-syntax": ["error", rawHtml] } },
  {
    files: ["src/**/*.tsx"],
    ignores: ["src/theme/**", "src/drawing/**"],
    rules: {
      "no-restricted-syntax": ["error", rawHtml, ...bareElements],
    },
  },
);
