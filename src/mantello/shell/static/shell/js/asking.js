/* Asks the server. Every request says that a script asked; what else a caller says of it stays. */

/**
 * Asks for a part of a page. It never leads elsewhere: a sign-in page in its place, say, counts as out of reach.
 * @param {string} url
 * @param {RequestInit} [options]
 * @returns {Promise<Response>}
 */
export function asked(url, options = {}) {
  const headers = new Headers(options.headers);
  headers.set("X-Requested-With", "fetch");
  return fetch(url, { redirect: "error", ...options, headers });
}

/**
 * Asks the server; a wait that can be felt is shown as a moving thread under the top bar.
 * @param {string} url
 * @param {RequestInit} [options]
 */
export async function ask(url, options = {}) {
  const slow = setTimeout(() => document.body.setAttribute("aria-busy", "true"), 400);
  try {
    return await asked(url, { redirect: "follow", ...options });
  } finally {
    clearTimeout(slow);
    document.body.removeAttribute("aria-busy");
  }
}
