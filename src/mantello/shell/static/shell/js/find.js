/* The search that '/' opens: areas, roles, paints, units, figures, checks, pages. */
import { listDialog } from "./stepping.js";
import { typing } from "./typing.js";

const box = /** @type {HTMLDialogElement | null} */ (document.getElementById("find"));

if (box) {
  const { field, list, look } = listDialog(box, { query: () => ({}), step: "a", enter: (first) => first.click() });
  const open = () => {
    if (box.open) return;
    box.showModal();
    field.select();
    if (!list.childElementCount) look();
  };
  // following a link leaves the dialog; a page that is exchanged in place must not keep it open
  list.addEventListener("click", (event) => {
    if (/** @type {Element} */ (event.target).closest("a")) box.close();
  });
  document.addEventListener("keydown", (event) => {
    const target = /** @type {Element} */ (event.target);
    if (event.key !== "/" || event.ctrlKey || event.metaKey || event.altKey || typing(target)) return;
    if (document.querySelector("dialog[open]")) return;
    event.preventDefault();
    open();
  });
  document.addEventListener("click", (event) => {
    if (/** @type {Element} */ (event.target).closest("[data-find]")) open();
  });
}
