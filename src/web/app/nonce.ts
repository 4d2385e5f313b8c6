/**
 * Styles that are made as the page runs carry the nonce of the answer it came in: its content policy takes no others.
 * Packages that make styles look for it under this name. Imported before any of them.
 */
const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce
if (nonce) Object.assign(globalThis, { __webpack_nonce__: nonce })

export {}
