/* Beside every list of paints a button that finds one: by letters, the own shelf first, near colours. The list stays. */
import { asked } from "./asking.js";
import { behaviour } from "./behaviour.js";

const WAIT = 120;
const box = /** @type {HTMLDialogElement | null} */ (document.getElementById("paint-dialog"));
const plain = (value) => value.replace(/^paint:/, "");
/** @type {HTMLSelectElement | null} */
let wanted = null;
let waiting = 0;
let number = 0;

async function look() {
  const field = box.querySelector("input");
  const list = box.querySelector("[data-found]");
  const mine = ++number;
  const query = new URLSearchParams({ q: field.value, now: plain(wanted.value) });
  const answer = await asked(`${box.dataset.ask}?${query}`).catch(() => null);
  if (mine !== number || !wanted) return;
  if (!answer || !answer.ok) {
    list.textContent = "The server cannot be reached, or you are signed out; type again in a moment.";
    return;
  }
  list.innerHTML = await answer.text();
  const may = new Set([...wanted.options].map((one) => plain(one.value)));
  for (const button of list.querySelectorAll("[data-paint]")) {
    if (!may.has(/** @type {HTMLElement} */ (button).dataset.paint)) button.closest("li").remove();
  }
}

behaviour("paint-picker", (select) => {
  const template = /** @type {HTMLTemplateElement | null} */ (document.getElementById("pick-paint"));
  if (!box || !template) return;
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
    box.querySelector("input").value = "";
    box.showModal();
    box.querySelector("input").focus();
    look();
  });
});

if (box) {
  const field = box.querySelector("input");
  const list = box.querySelector("[data-found]");
  const buttons = () => /** @type {HTMLElement[]} */ ([...list.querySelectorAll("[data-paint]")]);

  const take = (id) => {
    const option = [...wanted.options].find((one) => plain(one.value) === id);
    if (!option) return;
    wanted.value = option.value;
    box.close();
    wanted.dispatchEvent(new Event("input", { bubbles: true }));
    wanted.dispatchEvent(new Event("change", { bubbles: true }));
    wanted.focus();
  };
  field.addEventListener("input", () => {
    clearTimeout(waiting);
    waiting = setTimeout(look, WAIT);
  });
  box.querySelector("form.find-form").addEventListener("submit", async (event) => {
    event.preventDefault();
    clearTimeout(waiting);
    await look();
    const [first] = buttons();
    if (first && field.value.trim()) take(first.dataset.paint);
  });
  list.addEventListener("click", (event) => {
    const button = /** @type {HTMLElement | null} */ (/** @type {Element} */ (event.target).closest("[data-paint]"));
    if (button) take(button.dataset.paint);
  });
  box.addEventListener("keydown", (event) => {
    if (event.key !== "ArrowDown" && event.key !== "ArrowUp") return;
    const steps = [field, ...buttons()];
    const at = steps.indexOf(/** @type {any} */ (document.activeElement));
    event.preventDefault();
    steps[(at + (event.key === "ArrowDown" ? 1 : -1) + steps.length) % steps.length].focus();
  });
}
