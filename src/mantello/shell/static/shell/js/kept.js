/* Edits that could not be sent, kept in the browser in the order they were made: one queue for each account and army.
   Nothing here touches the page or the network, so that it can be tried by itself. */

/**
 * One edit: where it is sent and what it says.
 * @typedef {{ url: string, entries: [string, string][] }} Edit
 */

const SHELF = "mantello-kept";

/**
 * Name of a queue. An edit of no army (a new one, the account) has a queue of the account's own.
 * @param {string} account
 * @param {string} army
 */
export const shelfOf = (account, army) => `${SHELF}:${account}:${army}`;

/**
 * @param {Pick<Storage, "getItem">} storage
 * @param {string} shelf
 * @returns {Edit[]}
 */
export function read(storage, shelf) {
  try {
    const found = JSON.parse(storage.getItem(shelf) || "[]");
    return Array.isArray(found) ? found.filter((one) => one && typeof one.url === "string" && Array.isArray(one.entries)) : [];
  } catch {
    return [];
  }
}

/**
 * @param {Pick<Storage, "setItem" | "removeItem">} storage
 * @param {string} shelf
 * @param {Edit[]} edits
 */
export function write(storage, shelf, edits) {
  if (edits.length) storage.setItem(shelf, JSON.stringify(edits));
  else storage.removeItem(shelf);
}

/**
 * What one queue for all held before there was one for each: sorted out by the army in the address, once.
 * @param {Storage} storage
 * @param {string} account
 */
export function sortOut(storage, account) {
  const old = read(storage, SHELF);
  for (const edit of old) {
    const shelf = shelfOf(account, armyOf(edit));
    write(storage, shelf, [...read(storage, shelf), edit]);
  }
  storage.removeItem(SHELF);
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
 * What is left once the first edit was taken: those that were made on the same state as it move on to what it made.
 * @param {Edit[]} edits
 * @param {string | undefined} made the number of the edition that stands now
 * @returns {Edit[]}
 */
export function afterTaken([first, ...rest], made) {
  return rest.map((one) => (made && said(one, "base") === said(first, "base") ? saying(one, "base", made) : one));
}

/**
 * How many are kept, in words for the bar.
 * @param {number} count
 */
export const words = (count) => `Kept in this browser, ${count} change${count === 1 ? "" : "s"}: the server cannot be reached, or you are signed out. `;
