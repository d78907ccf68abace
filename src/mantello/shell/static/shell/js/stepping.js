/* A dialog with a field and a list that follows what is typed: asked for after a short wait, walked by arrows. */
import { asked } from "./asking.js";

const WAIT = 120;
const AWAY = "The server cannot be reached, or you are signed out; type again in a moment.";

/**
 * @param {HTMLDialogElement} box with an input, a form '.find-form', and a part '[data-found]'
 * @param {object} how
 * @param {() => Record<string, string>} how.query what is asked besides the words
 * @param {string} how.step selector of what can be stepped to
 * @param {(first: HTMLElement) => void} how.enter what Enter does with the first
 * @param {(list: HTMLElement) => void} [how.shown] once the list is there
 */
export function listDialog(box, { query, step, enter, shown }) {
  const field = box.querySelector("input");
  const list = /** @type {HTMLElement} */ (box.querySelector("[data-found]"));
  const steps = () => /** @type {HTMLElement[]} */ ([...list.querySelectorAll(step)]);
  let waiting = 0;
  let number = 0;

  async function look() {
    const mine = ++number;
    const answer = await asked(`${box.dataset.ask}?${new URLSearchParams({ q: field.value, ...query() })}`).catch(() => null);
    if (mine !== number) return;
    if (!answer || !answer.ok) {
      list.textContent = AWAY;
      return;
    }
    list.innerHTML = await answer.text();
    shown?.(list);
  }

  field.addEventListener("input", () => {
    clearTimeout(waiting);
    waiting = setTimeout(look, WAIT);
  });
  box.querySelector("form.find-form").addEventListener("submit", async (event) => {
    event.preventDefault();
    clearTimeout(waiting);
    await look();
    const [first] = steps();
    if (first && field.value.trim()) enter(first);
  });
  box.addEventListener("keydown", (event) => {
    if (event.key !== "ArrowDown" && event.key !== "ArrowUp") return;
    const all = [field, ...steps()];
    const at = all.indexOf(/** @type {any} */ (document.activeElement));
    event.preventDefault();
    all[(at + (event.key === "ArrowDown" ? 1 : -1) + all.length) % all.length].focus();
  });
  return { field, list, look };
}
