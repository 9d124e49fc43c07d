import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import CssBaseline from "@mui/material/CssBaseline";
import { ThemeProvider } from "@mui/material/styles";
import type { ReactNode } from "react";
import { nonce } from "./nonce";
import { SCHEME_PLACE } from "./scheme";
import { theme } from "./theme";

const styles = createCache({ key: "nb", nonce });

/** The theme round the whole page, its styles under the page's own nonce. */
export function ThemeRoot({ children }: { children: ReactNode }) {
  return (
    <CacheProvider value={styles}>
      <ThemeProvider theme={theme} defaultMode="system" modeStorageKey={SCHEME_PLACE} noSsr>
        <CssBaseline enableColorScheme />
        {children}
      </ThemeProvider>
    </CacheProvider>
  );
}
