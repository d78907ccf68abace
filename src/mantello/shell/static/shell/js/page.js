/* Replaces the page's work by another answer of the server, keeping scroll, focus and the filter. */
import { ask } from "./asking.js";
import { wake } from "./behaviour.js";
import { found, placeOf } from "./refocus.js";

export function show(html, url, { push = false, keys = false, typed: keep = true } = {}) {
  const next = new DOMParser().parseFromString(html, "text/html");
  const scrolls = new Map([...document.querySelectorAll("[data-keep-scroll]")].map((one) => [one.dataset.keepScroll, [one.scrollLeft, one.scrollTop]]));
  const was = ["main", "top"].find((id) => placeOf(document.activeElement, document.getElementById(id) || document)) || "main";
  const place = placeOf(document.activeElement, document.getElementById(was) || document);
  const filter = document.querySelector("[data-filter]");
  const typed = new Map([...document.querySelectorAll("[data-keep-typed]")].map((one) => [one.name, one.value]));
  for (const id of ["main", "top"]) {
    const fresh = next.getElementById(id);
    const old = document.getElementById(id);
    if (fresh && old) {
      for (const kept of old.querySelectorAll("[data-keep]")) {
        const place = fresh.querySelector(`[data-keep="${kept.dataset.keep}"]`);
        if (place) place.replaceWith(kept);
      }
      old.replaceWith(fresh);
      wake(fresh);
    }
  }
  document.title = next.title;
  for (const [name, [left, top]] of scrolls) {
    const one = document.querySelector(`[data-keep-scroll="${name}"]`);
    if (one) one.scrollTo(left, top);
  }
  if (place) {
    const root = document.getElementById(was) || document;
    const again = found(place, root) || (push && !keys ? null : heading());
    if (again) again.focus({ preventScroll: true });
    // what a link opened may reach below the window; all else stays where it was
    if (again && place.tag === "A" && again.tagName !== "A") again.scrollIntoView({ block: "nearest" });
  }
  say();
  for (const one of keep ? document.querySelectorAll("[data-keep-typed]") : []) if (typed.get(one.name)) one.value = typed.get(one.name);
  const newFilter = document.querySelector("[data-filter]");
  if (filter && newFilter && filter.value !== newFilter.value) {
    newFilter.value = filter.value;
    newFilter.dispatchEvent(new Event("input"));
  }
  if (url && url !== location.href) history[push ? "pushState" : "replaceState"](null, "", url);
  toHere();
  document.dispatchEvent(new CustomEvent("mantello:shown"));
}

/* Rows of rooms and tabs that scroll aside show the one that is open. */
export function toHere() {
  for (const one of document.querySelectorAll("nav [aria-current], .tabs [aria-current], .seg [aria-current]")) {
    let row = one.parentElement;
    while (row && row !== document.body && row.scrollWidth <= row.clientWidth + 1) row = row.parentElement;
    if (!row || row === document.body) continue;
    const [mine, its] = [one.getBoundingClientRect(), row.getBoundingClientRect()];
    if (mine.left < its.left || mine.right > its.right) row.scrollLeft += mine.left - its.left - (its.width - mine.width) / 2;
  }
}

/* What was in hand is gone: the focus goes to the page's heading, not to nowhere. */
function heading() {
  const first = /** @type {HTMLElement | null} */ (document.querySelector("#main h1"));
  if (first) first.tabIndex = -1;
  return first;
}

/* Notes are read out by one region that stays, so that none is missed while the page is exchanged. */
function say() {
  const region = document.getElementById("said");
  const notes = [...document.querySelectorAll("#notices .notice > span")].map((note) => note.textContent?.trim()).filter(Boolean);
  if (region && notes.length) region.textContent = notes.join(" ");
}

/* The visit under way, if any: a newer one takes its place, and a late answer to an older one is not shown. */
let under = null;

export async function visit(url, options = {}) {
  const mine = { url, options };
  under = mine;
  try {
    const answer = await ask(url, { headers: { Accept: "text/html" } });
    const text = await answer.text();
    if (under === mine) show(text, answer.url, options);
  } finally {
    if (under === mine) under = null;
  }
}

/* Draws the page anew. A visit under way leads elsewhere, with what was typed meanwhile: it is that one that is asked for. */
export function refresh() {
  const waiting = under || { url: location.href, options: {} };
  return visit(waiting.url, waiting.options);
}

/* What was refused is brought into view, however long the form is. */
export function toRefusal() {
  const told = [...document.querySelectorAll("#main .field-error")].find((one) => /** @type {HTMLElement} */ (one).offsetParent);
  if (told) told.scrollIntoView({ block: "center" });
}

/* Shows the answer to an edit that was sent from a page. A visit under way, or one that was made meanwhile, was
   asked for on the state before it: it is asked for again, and keeps what the edit has to say. */
export function showEdited(html, url, from) {
  const waiting = under || (location.href === from ? null : { url: location.href, options: {} });
  if (!waiting) {
    show(html, url, { typed: false });
    toRefusal();
    return;
  }
  const notices = new DOMParser().parseFromString(html, "text/html").getElementById("notices");
  visit(waiting.url, waiting.options)
    .then(() => {
      const place = document.getElementById("notices");
      if (!notices || !place) return;
      place.replaceWith(notices);
      wake(notices);
      say();
    })
    .catch(() => location.reload());
}

addEventListener("popstate", () => visit(location.href).catch(() => location.reload()));
