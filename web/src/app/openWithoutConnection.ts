/** Let the browser keep the page's own files, so that it opens where there is no connection. */
export function openWithoutConnection(): void {
  if (!import.meta.env.PROD || !("serviceWorker" in navigator)) return;
  window.addEventListener("load", () => {
    // a browser that forbids it opens the page with a connection alone
    navigator.serviceWorker.register("/sw.js").catch(() => undefined);
  });
}
