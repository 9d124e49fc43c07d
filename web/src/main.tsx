import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import "@fontsource-variable/archivo/standard.css";
import { App } from "./app/App";
import { setFirstScheme } from "./theme/scheme";
import { ThemeRoot } from "./theme/ThemeRoot";
import { openWithoutConnection } from "./app/openWithoutConnection";

setFirstScheme();
openWithoutConnection();
const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <StrictMode>
      <ThemeRoot>
        <App />
      </ThemeRoot>
    </StrictMode>,
  );
}
