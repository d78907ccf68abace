/* Beside every list of paints a button that finds one: by letters, the own shelf first, near colours. The list stays. */
import { behaviour } from "./behaviour.js";
import { listDialog } from "./stepping.js";

const box = /** @type {HTMLDialogElement | null} */ (document.getElementById("paint-dialog"));
const plain = (value) => value.replace(/^paint:/, "");
/** @type {HTMLSelectElement | null} */
let wanted = null;
/** @type {ReturnType<typeof listDialog> | null} */
let dialog = null;

behaviour("paint-picker", (select) => {
  const template = /** @type {HTMLTemplateElement | null} */ (document.getElementById("pick-paint"));
  if (!dialog || !template) return;
  const button = /** @type {HTMLElement} */ (template.content.firstElementChild.cloneNode(true));
  const label = select.labels?.[0]?.textContent.trim() || select.getAttribute("aria-label") || "";
  button.setAttribute("aria-label", "Find a pot");
  if (label) button.setAttribute("aria-description", label);
  const row = document.createElement("span");
  row.className = "paint-row";
  select.before(row);
  row.append(select, button);
  button.addEventListener("click", () => {
    wanted = /** @type {HTMLSelectElement} */ (select);
    dialog.field.value = "";
    box.showModal();
    dialog.field.focus();
    dialog.look();
  });
});

function take(button) {
  const option = [...wanted.options].find((one) => plain(one.value) === button.dataset.paint);
  if (!option) return;
  wanted.value = option.value;
  box.close();
  wanted.dispatchEvent(new Event("input", { bubbles: true }));
  wanted.dispatchEvent(new Event("change", { bubbles: true }));
  wanted.focus();
}

/* What this list of paints cannot take is left out. */
function fitting(list) {
  const may = new Set([...wanted.options].map((one) => plain(one.value)));
  for (const button of list.querySelectorAll("[data-paint]")) if (!may.has(button.dataset.paint)) button.closest("li").remove();
}

if (box) {
  dialog = listDialog(box, { query: () => ({ now: plain(wanted.value) }), step: "[data-paint]", enter: take, shown: fitting });
  dialog.list.addEventListener("click", (event) => {
    const button = /** @type {Element} */ (event.target).closest("[data-paint]");
    if (button) take(button);
  });
}
