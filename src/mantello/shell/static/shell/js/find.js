/* The search that '/' opens: a list that follows what is typed, walked by arrows, followed by Enter. */
import { asked } from "./asking.js";

const WAIT = 120;
const box = /** @type {HTMLDialogElement | null} */ (document.getElementById("find"));
let waiting = 0;
let number = 0;

if (box) {
  const field = box.querySelector("input");
  const list = box.querySelector("[data-found]");

  const open = () => {
    if (box.open) return;
    box.showModal();
    field.select();
    if (!list.childElementCount) look();
  };
  const links = () => [...list.querySelectorAll("a")];

  async function look() {
    const mine = ++number;
    const answer = await asked(`${box.dataset.ask}?${new URLSearchParams({ q: field.value })}`).catch(() => null);
    if (mine !== number) return;
    if (!answer || !answer.ok) {
      list.textContent = "The server cannot be reached, or you are signed out; type again in a moment.";
      return;
    }
    list.innerHTML = await answer.text();
  }

  field.addEventListener("input", () => {
    clearTimeout(waiting);
    waiting = setTimeout(look, WAIT);
  });
  box.querySelector("form.find-form").addEventListener("submit", async (event) => {
    event.preventDefault();
    clearTimeout(waiting);
    await look();
    const [first] = links();
    if (first && field.value.trim()) first.click();
  });
  box.addEventListener("keydown", (event) => {
    if (event.key !== "ArrowDown" && event.key !== "ArrowUp") return;
    const steps = [field, ...links()];
    const at = steps.indexOf(/** @type {any} */ (document.activeElement));
    const next = steps[(at + (event.key === "ArrowDown" ? 1 : -1) + steps.length) % steps.length];
    event.preventDefault();
    next.focus();
  });
  // following a link leaves the dialog; a page that is exchanged in place must not keep it open
  list.addEventListener("click", (event) => {
    if (/** @type {Element} */ (event.target).closest("a")) box.close();
  });
  document.addEventListener("keydown", (event) => {
    const target = /** @type {Element} */ (event.target);
    if (event.key !== "/" || event.ctrlKey || event.metaKey || event.altKey || target.closest("input, select, textarea, [contenteditable]")) return;
    if (document.querySelector("dialog[open]")) return;
    event.preventDefault();
    open();
  });
  document.addEventListener("click", (event) => {
    if (/** @type {Element} */ (event.target).closest("[data-find]")) open();
  });
}
