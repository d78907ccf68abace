/* The mapping table: arrows move between cells, Shift takes a block, typing filters the rows. */
import { behaviour } from "./behaviour.js";

const STEPS = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] };
const rowsOf = (table) => [...table.querySelectorAll("tbody:not(.head) tr:not([hidden])")];

/* Cells taken along with the picked one, as the server names them. */
export function alsoChosen() {
  const links = /** @type {NodeListOf<HTMLAnchorElement>} */ (document.querySelectorAll("td.in:not(.sel) a"));
  return [...links].map((link) => {
    const asked = new URLSearchParams(link.search);
    return ["unit", "rank", "figure", "area"].map((name) => asked.get(name)).join("|");
  });
}

function choose(table, from, to) {
  const rows = rowsOf(table);
  const [first, last] = [rows.indexOf(from.parentElement), rows.indexOf(to.parentElement)].sort((a, b) => a - b);
  const [left, right] = [from.cellIndex, to.cellIndex].sort((a, b) => a - b);
  for (const cell of table.querySelectorAll("td.in")) cell.classList.remove("in");
  for (const row of rows.slice(first, last + 1)) {
    for (const cell of [...row.cells].slice(left, right + 1)) if (cell.querySelector("a")) cell.classList.add("in");
  }
  tell();
}

function tell() {
  const count = alsoChosen().length;
  const place = document.getElementById("chosen");
  if (place) place.textContent = count ? `${count + 1} cells chosen: 'Set here' sets them all, Esc leaves them` : "";
}

behaviour("grid", (table) => {
  const anchor = () => table.querySelector("td.sel") || table.querySelector("td a").closest("td");
  table.addEventListener("keydown", (event) => {
    const cell = event.target.closest("td");
    if (!cell || !STEPS[event.key]) return;
    event.preventDefault();
    const rows = rowsOf(table);
    const step = STEPS[event.key];
    let row = rows.indexOf(cell.parentElement);
    let column = cell.cellIndex;
    for (;;) {
      row += step[0];
      column += step[1];
      if (row < 0 || row >= rows.length || column < 1 || column >= rows[row].cells.length) return;
      const link = rows[row].cells[column].querySelector("a");
      if (!link) continue;
      link.focus();
      link.scrollIntoView({ block: "nearest", inline: "nearest" });
      if (event.shiftKey) choose(table, anchor(), link.closest("td"));
      return;
    }
  });
  table.addEventListener(
    "click",
    (event) => {
      const cell = event.target.closest("td");
      if (!cell || !event.shiftKey) return;
      event.preventDefault();
      event.stopPropagation();
      choose(table, anchor(), cell);
    },
    true,
  );
});

document.addEventListener("keydown", (event) => {
  if (event.key !== "Escape") return;
  for (const cell of document.querySelectorAll("td.in")) cell.classList.remove("in");
  tell();
});

document.addEventListener("formdata", (event) => {
  if (!event.target.closest(".ladder-col")) return;
  for (const cell of alsoChosen()) event.formData.append("also", cell);
});

behaviour("print", (button) => button.addEventListener("click", () => print()));

behaviour("filter", (input) => {
  input.addEventListener("input", () => {
    const words = input.value.toLowerCase().split(/\s+/).filter(Boolean);
    for (const row of document.querySelectorAll("tr[data-words]")) row.hidden = !words.every((word) => row.dataset.words.includes(word));
  });
  input.form.addEventListener("submit", (event) => event.preventDefault());
});
