/** The page’s policy lets in style elements with this nonce only. */
export const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? '';
