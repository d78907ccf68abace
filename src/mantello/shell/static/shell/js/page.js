/* Replaces the page's work by another answer of the server, keeping scroll, focus and the filter. */
import { ask } from "./asking.js";
import { wake } from "./behaviour.js";

export function show(html, url, { push = false, typed: keep = true } = {}) {
  const next = new DOMParser().parseFromString(html, "text/html");
  const scrolls = new Map([...document.querySelectorAll("[data-keep-scroll]")].map((one) => [one.dataset.keepScroll, [one.scrollLeft, one.scrollTop]]));
  const focus = document.activeElement && (document.activeElement.dataset.focus || document.activeElement.id);
  const byName = document.activeElement && document.activeElement.dataset.focus;
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
  const again = focus && (byName ? document.querySelector(`[data-focus="${CSS.escape(focus)}"]`) : document.getElementById(focus));
  if (again) again.focus({ preventScroll: true });
  for (const one of keep ? document.querySelectorAll("[data-keep-typed]") : []) if (typed.get(one.name)) one.value = typed.get(one.name);
  const newFilter = document.querySelector("[data-filter]");
  if (filter && newFilter && filter.value !== newFilter.value) {
    newFilter.value = filter.value;
    newFilter.dispatchEvent(new Event("input"));
  }
  if (url && url !== location.href) history[push ? "pushState" : "replaceState"](null, "", url);
  document.dispatchEvent(new CustomEvent("mantello:shown"));
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
function toRefusal() {
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
    })
    .catch(() => location.reload());
}

addEventListener("popstate", () => visit(location.href).catch(() => location.reload()));
