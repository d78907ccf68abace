/* The reach preview follows the rung that is focused, hovered or called by its number. */
import { asked } from "./asking.js";
import { behaviour } from "./behaviour.js";
import { newest } from "./newest.js";
import { alsoChosen } from "./table.js";

let waiting;
const latest = newest();

async function aim(button) {
  const target = document.getElementById("preview");
  if (!target || !button.dataset.preview) return;
  for (const one of document.querySelectorAll(".rung .aim")) one.classList.remove("aim");
  button.classList.add("aim");
  try {
    const also = alsoChosen().map((cell) => `&also=${encodeURIComponent(cell)}`).join("");
    const answer = await latest(() => asked(button.dataset.preview + also));
    if (answer && answer.ok) target.innerHTML = await answer.text();
  } catch {
    /* out of reach: the last preview stays, and the edit itself will say so */
  }
}

behaviour("preview", (target) => {
  const column = target.closest(".ladder-col");
  const soon = (event) => {
    const button = event.target.closest("button[data-preview]");
    if (!button || (button.classList.contains("aim") && !alsoChosen().length)) return;
    clearTimeout(waiting);
    waiting = setTimeout(() => aim(button), 120);
  };
  column.addEventListener("pointerover", soon);
  column.addEventListener("focusin", soon);
});

/* What Enter and Space mean to itself. */
const OWN = "a, button, summary, label, [role=button], [role=application]";

document.addEventListener("keydown", (event) => {
  const column = document.querySelector(".ladder-col");
  if ((event.key === "Enter" || event.key === " ") && event.target.closest(OWN)) return;
  if (!column || event.target.closest("input, select, textarea, dialog, button, a.btn") || event.ctrlKey || event.metaKey || event.altKey) return;
  if (/^[1-9]$/.test(event.key)) {
    const button = column.querySelector(`button[data-rung="${event.key}"]`);
    if (button) aim(button);
  } else if (event.key === "Enter") {
    const button = column.querySelector("button.aim");
    if (button) {
      event.preventDefault();
      button.form.requestSubmit(button);
    }
  } else if (event.key === "Delete") {
    const button = column.querySelector(".rung.win button[data-clear]");
    if (button) button.form.requestSubmit(button);
  } else if (event.key === " ") {
    const role = document.querySelector(".role.on, #role-in-hand");
    if (role) {
      event.preventDefault();
      role.focus();
    }
  }
});
