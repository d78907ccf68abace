/* Edits that could not be sent, kept in the browser in the order they were made, each in a place of its own, so that two
   tabs never write over each other. Nothing here touches the page or the network, so that it can be tried by itself. */

/**
 * One edit: where it is sent and what it says; whose it is, and when it was made, once it is kept.
 * @typedef {{ url: string, entries: [string, string][], account?: string, name?: string, army?: string, at?: number, key?: string }} Edit
 * @typedef {Pick<Storage, "getItem" | "setItem" | "removeItem" | "key" | "length">} Places
 */

const SHELF = "mantello-kept";
const PLACE = `${SHELF}/`;
const ANSWERED_AT = 15;

/**
 * @param {unknown} found
 * @returns {found is Edit}
 */
const sound = (found) => Boolean(found) && typeof (/** @type {Edit} */ (found).url) === "string" && Array.isArray(/** @type {Edit} */ (found).entries);

/**
 * @param {string | null} text
 * @returns {unknown}
 */
function parsed(text) {
  try {
    return JSON.parse(text || "null");
  } catch {
    return null;
  }
}

/**
 * Every edit that is kept, of all accounts and armies, oldest first.
 * @param {Places} places
 * @returns {Edit[]}
 */
export function all(places) {
  const found = [];
  for (let at = 0; at < places.length; at += 1) {
    const key = places.key(at);
    if (!key || !key.startsWith(PLACE)) continue;
    const one = parsed(places.getItem(key));
    if (sound(one)) found.push({ ...one, key });
  }
  return found.sort((one, other) => (one.at || 0) - (other.at || 0) || ((one.key || "") < (other.key || "") ? -1 : 1));
}

/**
 * What one account kept for one army.
 * @param {Places} places
 * @param {string} account
 * @param {string} army
 */
export const mine = (places, account, army) => all(places).filter((one) => one.account === account && (one.army || "") === army);

/**
 * Keep an edit; the one that is kept, with its place.
 * @param {Places} places
 * @param {Edit} edit
 * @param {{ account: string, name: string, army: string }} whose
 * @param {number} now
 * @returns {Edit}
 */
export function keep(places, edit, whose, now) {
  const last = Math.max(0, ...all(places).map((one) => one.at || 0));
  const at = Math.max(now, last + 1);
  const key = `${PLACE}${whose.account}/${whose.army}/${at}-${said(edit, "token") || Math.random().toString(36).slice(2)}`;
  const made = { ...edit, ...whose, at };
  places.setItem(key, JSON.stringify(made));
  return { ...made, key };
}

/**
 * @param {Places} places
 * @param {Edit} edit
 */
export function drop(places, edit) {
  if (edit.key) places.removeItem(edit.key);
}

/**
 * The first edit was taken: those of its account and army that were made on the same state move on to what it made.
 * @param {Places} places
 * @param {Edit} taken
 * @param {string | undefined} made the number of the edition that stands now
 */
export function taken(places, taken, made) {
  drop(places, taken);
  if (!made) return;
  for (const one of mine(places, taken.account || "", taken.army || "")) {
    if (one.key && said(one, "base") === said(taken, "base")) places.setItem(one.key, JSON.stringify(saying(one, "base", made)));
  }
}

/**
 * What earlier versions kept as lists, one for all or one for each account and army, put in places of their own, once.
 * @param {Storage} places
 * @param {{ account: string, name: string }} whose
 * @param {number} now
 */
export function sortOut(places, whose, now) {
  const lists = [];
  for (let at = 0; at < places.length; at += 1) {
    const key = places.key(at);
    if (key === SHELF || (key && key.startsWith(`${SHELF}:`))) lists.push(key);
  }
  for (const key of lists.sort()) {
    const [, account, army] = key.split(":");
    const found = parsed(places.getItem(key));
    for (const edit of Array.isArray(found) ? found.filter(sound) : []) {
      const own = { account: account || whose.account, name: account && account !== whose.account ? "" : whose.name, army: army ?? armyOf(edit) };
      keep(places, edit, own, now);
    }
    places.removeItem(key);
  }
}

/** @param {Edit} edit */
export const armyOf = (edit) => (edit.url.match(/\/armies\/(\d+)\//) || ["", ""])[1];

/**
 * @param {Edit} edit
 * @param {string} name
 */
const said = (edit, name) => (edit.entries.find(([key]) => key === name) || [])[1];

/**
 * An edit with one entry said otherwise; an entry it does not have is not added.
 * @param {Edit} edit
 * @param {string} name
 * @param {string} value
 * @returns {Edit}
 */
export const saying = (edit, name, value) => ({ ...edit, entries: edit.entries.map(([key, was]) => [key, key === name ? value : was]) });

/**
 * What an answer means for an edit: it was 'taken'; it was 'refused' on a page that says why and holds what was typed; it
 * waits ('later') for the server, the sign-in or a quieter moment; its mark against forgery is too old ('unproved'); or
 * what it is for is not found here ('missing').
 * @param {number} status
 * @param {boolean} signedOut whether the answer is the page to sign in
 * @returns {"taken" | "refused" | "later" | "unproved" | "missing"}
 */
export function meaning(status, signedOut) {
  if (signedOut || status === 401 || status === 408 || status === 425 || status === 429 || status >= 500) return "later";
  if (status === 403) return "unproved";
  if (status === 404 || status === 410) return "missing";
  return status >= 400 ? "refused" : "taken";
}

/**
 * Why nothing goes out, in words for the bar.
 * @param {string} why one of the meanings, or "away" where nothing answered
 * @param {number} status
 */
export function reason(why, status) {
  if (why === "missing") return "what is changed is not found by this account any more";
  if (why === "unproved") return "the server does not know this page any more";
  if (why === "later" && status === 429) return "too much was asked for at once";
  if (why === "later" && status >= 500) return "the server cannot do it now";
  return why === "later" ? "you are signed out" : "the server cannot be reached";
}

/**
 * How many are kept and why, in words for the bar.
 * @param {number} count
 * @param {string} because
 */
export const words = (count, because) => `Kept in this browser, ${count} change${count === 1 ? "" : "s"}: ${because}. `;

/**
 * Whose edits wait in this browser besides those of one account and army: names with how many, in words; '' for none.
 * @param {Edit[]} edits
 * @param {string} account
 * @param {string} army
 */
export function others(edits, account, army) {
  const counts = new Map();
  for (const one of edits) {
    if (one.account === account && (one.army || "") === army) continue;
    const who = one.account === account ? "another army of yours" : one.name || "another account";
    counts.set(who, (counts.get(who) || 0) + 1);
  }
  return [...counts].map(([who, count]) => `${count} of ${who}`).join(", ");
}

/**
 * Seconds until it is tried again after so many tries: longer and longer, up to five minutes.
 * @param {number} tries
 */
export const pause = (tries) => Math.min(300, ANSWERED_AT * 2 ** Math.max(0, tries - 1));
