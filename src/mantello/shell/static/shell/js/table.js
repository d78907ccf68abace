/* The mapping table: arrows move between cells, Shift takes a block, typing filters the rows. */
import { behaviour } from "./behaviour.js";
import { namesIn } from "./names.js";

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

/* What a cell says its area wears: the name of a role, 'bare', or nothing. */
function worn(cell) {
  const said = cell.querySelector("a")?.getAttribute("aria-label") || "";
  if (said === "no colour yet") return "";
  return said.replace(/, set at rung .*$/, "").replace(/^left bare$/, "bare");
}

/* The block that is chosen, as rows of cells; the cell in hand alone where none is. */
function block(table) {
  const chosen = new Set(table.querySelectorAll("td.in, td.sel"));
  if (chosen.size < 2) {
    const cell = document.activeElement?.closest("td") || table.querySelector("td.sel");
    return cell ? [[cell]] : [];
  }
  const rows = rowsOf(table).filter((row) => [...row.cells].some((cell) => chosen.has(cell)));
  const columns = [...chosen].map((cell) => cell.cellIndex);
  const [left, right] = [Math.min(...columns), Math.max(...columns)];
  return rows.map((row) => [...row.cells].slice(left, right + 1));
}

const inTable = () => {
  const table = document.querySelector("table.map");
  const at = document.activeElement;
  return table && (at === document.body || table.contains(at)) ? table : null;
};

document.addEventListener("copy", (event) => {
  const table = inTable();
  if (!table || String(document.getSelection())) return;
  const rows = block(table);
  if (!rows.length) return;
  event.clipboardData.setData("text/plain", rows.map((row) => row.map(worn).join("\t")).join("\n"));
  event.preventDefault();
  const place = document.getElementById("chosen");
  const count = rows.flat().length;
  if (place) place.textContent = `${count} cell${count === 1 ? "" : "s"} copied by name`;
});

document.addEventListener("paste", (event) => {
  const table = inTable();
  const form = /** @type {HTMLFormElement | null} */ (document.getElementById("paste-cells"));
  if (!table || !form) return;
  const names = namesIn(event.clipboardData.getData("text/plain"));
  const chosen = block(table);
  if (!names.length || !chosen.length) return;
  event.preventDefault();
  const { cells, beyond } = placed(table, chosen, names);
  if (!cells.length) return;
  form.elements["cells"].value = JSON.stringify(cells);
  form.elements["beyond"].value = beyond;
  form.requestSubmit();
});

/* Where every name of a block goes: from the first chosen cell on; a single name fills all that are chosen. */
function placed(table, chosen, names) {
  const cells = [];
  let beyond = 0;
  const put = (cell, name) => {
    const link = cell?.querySelector("a");
    if (!link) {
      if (name) beyond += 1;
    } else if (name) {
      const asked = new URLSearchParams(link.search);
      cells.push([asked.get("unit"), asked.get("rank"), Number(asked.get("figure")), asked.get("area"), name]);
    }
  };
  if (names.length === 1 && names[0].length === 1) {
    for (const cell of chosen.flat()) if (cell.querySelector("a")) put(cell, names[0][0]);
    return { cells, beyond };
  }
  const rows = rowsOf(table);
  const top = rows.indexOf(chosen[0][0].parentElement);
  const left = chosen[0][0].cellIndex;
  names.forEach((line, down) => line.forEach((name, across) => put(rows[top + down]?.cells[left + across], name)));
  return { cells, beyond };
}

behaviour("print", (button) => button.addEventListener("click", () => print()));

behaviour("filter", (input) => {
  input.addEventListener("input", () => {
    const words = input.value.toLowerCase().split(/\s+/).filter(Boolean);
    for (const row of document.querySelectorAll("tr[data-words]")) row.hidden = !words.every((word) => row.dataset.words.includes(word));
  });
  input.form.addEventListener("submit", (event) => event.preventDefault());
});
