/** The word that the server gave this page's own styles, under its security policy. */
export const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce;
