/* The mapping table: arrows move between cells, typing filters the rows. */
import { behaviour } from "./behaviour.js";

behaviour("grid", (table) => {
  table.addEventListener("keydown", (event) => {
    const cell = event.target.closest("td");
    if (!cell || !event.key.startsWith("Arrow")) return;
    event.preventDefault();
    const rows = [...table.querySelectorAll("tbody:not(.head) tr:not([hidden])")];
    let row = rows.indexOf(cell.parentElement);
    let column = cell.cellIndex;
    const step = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[event.key];
    for (;;) {
      row += step[0];
      column += step[1];
      if (row < 0 || row >= rows.length || column < 1 || column >= rows[row].cells.length) return;
      const link = rows[row].cells[column].querySelector("a");
      if (link) {
        link.focus();
        link.scrollIntoView({ block: "nearest", inline: "nearest" });
        return;
      }
    }
  });
});

behaviour("filter", (input) => {
  input.addEventListener("input", () => {
    const words = input.value.toLowerCase().split(/\s+/).filter(Boolean);
    for (const row of document.querySelectorAll("tr[data-words]")) row.hidden = !words.every((word) => row.dataset.words.includes(word));
  });
  input.form.addEventListener("submit", (event) => event.preventDefault());
});
