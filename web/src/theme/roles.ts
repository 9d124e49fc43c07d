/** The page's colours by what they are for; nothing else in the page names a colour. */
export type Roles = {
  /** What sheets lie on. */
  ground: string;
  sheet: string;
  /** A quiet fill: what is chosen, hovered or set apart. */
  wash: string;
  ink: string;
  soft: string;
  line: string;
  /** Act, selected, stop. */
  iron: string;
  onIron: string;
  water: string;
  straw: string;
  moss: string;
  rail: string;
  railText: string;
  railHere: string;
  onRail: string;
  earth: string;
  earthMark: string;
  timber: string;
  timberEdge: string;
  hollow: string;
  brick: string;
  stone: string;
  stop: string;
  caution: string;
  onSign: string;
  edge: string;
  /** Written on a hatch of any colour. */
  tag: string;
  onTag: string;
  leader: string;
  veil: string;
};

export const LIGHT: Roles = {
  ground: "#eef1ef",
  sheet: "#fbfcfb",
  wash: "#e1e7e5",
  ink: "#17262b",
  soft: "#56666b",
  line: "#cbd3d1",
  iron: "#a23b1e",
  onIron: "#ffffff",
  water: "#0f6e84",
  straw: "#e0a526",
  moss: "#4c7336",
  rail: "#17262b",
  railText: "#c9d3d3",
  railHere: "#26393f",
  onRail: "#ffffff",
  earth: "#d9d2c3",
  earthMark: "#b9af9a",
  timber: "#c8a06a",
  timberEdge: "#8f6c3c",
  hollow: "#efe8dc",
  brick: "#8a5a45",
  stone: "#8d8a80",
  stop: "#a23b1e",
  caution: "#e0a526",
  onSign: "#17262b",
  edge: "#17262b",
  tag: "#17262b",
  onTag: "#ffffff",
  leader: "#93a09f",
  veil: "rgba(12, 19, 21, 0.55)",
};

export const DARK: Roles = {
  ground: "#131c1f",
  sheet: "#1b272b",
  wash: "#2a383c",
  ink: "#e8eeec",
  soft: "#a4b3b4",
  line: "#3a494d",
  iron: "#f08a66",
  onIron: "#17262b",
  water: "#62bdd2",
  straw: "#e5b246",
  moss: "#95c07a",
  rail: "#0c1315",
  railText: "#b9c6c7",
  railHere: "#1e2c30",
  onRail: "#ffffff",
  earth: "#2d2a24",
  earthMark: "#5b5447",
  timber: "#8a6a3f",
  timberEdge: "#c69c60",
  hollow: "#2c2822",
  brick: "#b5836c",
  stone: "#a3a096",
  stop: "#f08a66",
  caution: "#e5b246",
  onSign: "#17262b",
  edge: "#0c1315",
  tag: "#17262b",
  onTag: "#ffffff",
  leader: "#6f8082",
  veil: "rgba(4, 8, 9, 0.7)",
};
