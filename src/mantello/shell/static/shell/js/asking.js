/* Asks the server. Every request says that a script asked; what else a caller says of it stays. */

/* Milliseconds until a page that waits is asked for again, each time twice as many up to the last: the server itself waits a
   while for what takes long, and many who ask too often keep it from working it out. */
export const SOON = 250;
const LATEST = 2000;

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

/**
 * Sends an edit, again and again while the server holds it until it can tell what comes of it. It is taken once, since it
 * bears a mark.
 * @param {string} url
 * @param {URLSearchParams} body
 */
export async function sent(url, body) {
  const options = { method: "POST", body, headers: { Accept: "text/html" } };
  for (let pause = SOON; ; pause = Math.min(LATEST, 2 * pause)) {
    const answer = await ask(url, options);
    if (answer.status !== 202 || !answer.headers.has("Retry-After")) return answer;
    document.body.setAttribute("aria-busy", "true");
    await new Promise((go) => setTimeout(go, pause));
  }
}
