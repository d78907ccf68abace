/* The drawing follows the blazon as it is typed; a blazon that cannot be read keeps the last good drawing. */
import { asked } from "./asking.js";
import { behaviour } from "./behaviour.js";
import { newest } from "./newest.js";

let waiting;
const latest = newest();
const latestWords = newest();

async function draw(field, address) {
  const target = document.getElementById("seen");
  const form = field.form;
  const look = document.querySelector(".ins .col-h[data-visit]");
  if (!target || !form || !look) return;
  const query = new URLSearchParams({
    blazon: field.value,
    arms: form.elements.arms.value,
    shape: look.elements.shape.value,
    width: look.elements.width.value,
  });
  try {
    const answer = await latest(() => asked(`${address}?${query}`));
    if (!answer || (!answer.ok && answer.status !== 422)) return;
    const made = document.createElement("div");
    made.innerHTML = await answer.text();
    const stage = target.querySelector(".arms-stage");
    if (answer.status === 422 && stage && stage.querySelector(".arms-large")) {
      target.querySelector(".arms-told").replaceWith(made.querySelector(".arms-told"));
    } else {
      for (const part of [".arms-stage", ".arms-told"]) {
        const before = target.querySelector(part);
        const after = made.querySelector(part);
        if (before && after) before.replaceWith(after);
      }
    }
    const echo = document.querySelector("[data-blazon-echo]");
    if (echo) echo.value = field.value;
  } catch {
    /* out of reach: the last drawing stays, and keeping the arms will say so */
  }
}

/* Words that fit where the cursor stands: a row of buttons, reached by the down arrow. */
async function complete(field, shelf, address) {
  const end = field.selectionStart;
  try {
    const query = new URLSearchParams({ text: field.value.slice(0, end) });
    const answer = await latestWords(() => asked(`${address}?${query}`));
    if (!answer || !answer.ok) return;
    const { words } = await answer.json();
    shelf.replaceChildren(
      ...words.map(({ phrase, start }) => {
        const button = document.createElement("button");
        button.type = "button";
        button.className = "btn btn-s";
        button.textContent = phrase;
        button.addEventListener("click", () => {
          field.setRangeText(`${phrase} `, start, end, "end");
          field.focus();
          field.dispatchEvent(new Event("input", { bubbles: true }));
        });
        return button;
      }),
    );
    shelf.hidden = words.length === 0;
  } catch {
    shelf.hidden = true;
  }
}

function walk(event, field, shelf) {
  const buttons = [...shelf.children];
  const at = buttons.indexOf(document.activeElement);
  if (event.key === "ArrowRight" && at < buttons.length - 1) buttons[at + 1].focus();
  else if (event.key === "ArrowLeft" && at > 0) buttons[at - 1].focus();
  else if (event.key === "ArrowUp" || event.key === "Escape") field.focus();
  else return;
  event.preventDefault();
}

behaviour("blazon", (holder) => {
  const field = holder.querySelector("textarea");
  const shelf = holder.querySelector(".next-words");
  field.addEventListener("input", () => {
    clearTimeout(waiting);
    waiting = setTimeout(() => {
      draw(field, holder.dataset.draw);
      complete(field, shelf, holder.dataset.complete);
    }, 120);
  });
  field.addEventListener("keydown", (event) => {
    const last = field.selectionStart === field.value.length;
    if (event.key === "ArrowDown" && last && !shelf.hidden) {
      shelf.firstElementChild.focus();
      event.preventDefault();
    }
  });
  shelf.addEventListener("keydown", (event) => walk(event, field, shelf));
});
