// @ts-check
/* Where the focus was, told so that it can be found again on the page that takes the place of this one. */

/** What tells one control from another: its own name, else where it leads or what its form does, and which of several alike it is. */
/** @typedef {{ by: "focus" | "id" | "act", name: string, at: number, tag?: string }} Place */

/** @param {Element} element @returns {string} */
export function act(element) {
  if (element instanceof HTMLAnchorElement) return `a ${new URL(element.href, location.href).pathname} ${words(element)}`;
  const form = /** @type {any} */ (element).form;
  const where = form ? new URL(form.action, location.href).pathname : "";
  const fixed = form ? hidden(form) : "";
  const name = /** @type {any} */ (element).name || "";
  return `${element.tagName} ${where} ${fixed} ${name} ${element.tagName === "SELECT" || element.tagName === "INPUT" ? "" : words(element)}`;
}

const words = (/** @type {Element} */ element) => (element.getAttribute("aria-label") || element.textContent || "").replace(/\s+/g, " ").trim();

/** Hidden fields that name what a form is about; the state of the work and marks change with every page. */
function hidden(/** @type {HTMLFormElement} */ form) {
  const changing = ["csrfmiddlewaretoken", "base", "token", "next"];
  return [...form.elements]
    .filter((/** @type {any} */ one) => one.type === "hidden" && !changing.includes(one.name))
    .map((/** @type {any} */ one) => `${one.name}=${one.value}`)
    .join("&");
}

const controls = (/** @type {ParentNode} */ root) => [...root.querySelectorAll("a[href], button, input:not([type=hidden]), select, textarea, summary")];

/** @param {Element | null} element @param {ParentNode} root @returns {Place | null} */
export function placeOf(element, root) {
  if (!element || !root.contains(element) || element === root) return null;
  const focus = /** @type {HTMLElement} */ (element).dataset?.focus;
  if (focus) return { by: "focus", name: focus, at: 0, tag: element.tagName };
  if (element.id) return { by: "id", name: element.id, at: 0 };
  const name = act(element);
  return { by: "act", name, at: controls(root).filter((one) => act(one) === name).indexOf(element) };
}

/** What has the same name: a form that opened in its place, whose first field it is then, unless it sent that form; or else the like of it.
 * @param {Place} place @param {ParentNode} root @returns {HTMLElement | null} */
function named(place, root) {
  const alike = /** @type {HTMLElement[]} */ ([...root.querySelectorAll(`[data-focus="${CSS.escape(place.name)}"]`)]);
  const like = alike.find((other) => other.tagName === place.tag) || alike[0] || null;
  const form = alike.find((other) => other instanceof HTMLFormElement);
  if (!form || (place.tag === "BUTTON" && like?.tagName === "BUTTON")) return like;
  return /** @type {any} */ ([.../** @type {HTMLFormElement} */ (form).elements].find((/** @type {any} */ field) => field.type !== "hidden")) || null;
}

/** The control of that place on another page; the one that stands there if it went, the heading where nothing is left.
 * @param {Place | null} place @param {ParentNode} root @returns {HTMLElement | null} */
export function found(place, root) {
  if (!place) return null;
  if (place.by === "focus") return named(place, root);
  if (place.by === "id") return root.querySelector(`#${CSS.escape(place.name)}`);
  const alike = controls(root).filter((one) => act(one) === place.name);
  return /** @type {HTMLElement | null} */ (alike[Math.min(place.at, alike.length - 1)] || null);
}
