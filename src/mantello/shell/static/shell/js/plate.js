/* The plate: hover outlines an area, click selects it, a second click selects what lies beneath, arrows move. */
import { behaviour } from "./behaviour.js";

const TURN = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

behaviour("plate", (box) => {
  const svg = box.querySelector("svg");
  const links = new Map([...box.querySelectorAll("a[data-id]")].map((link) => [link.dataset.id, link]));
  const choose = (area) => links.get(area) && links.get(area).click();

  box.addEventListener("click", (event) => {
    if (!event.target.closest("[data-area]") || event.target === box) return;
    const beneath = [...new Set(document.elementsFromPoint(event.clientX, event.clientY).map((one) => one.dataset && one.dataset.area).filter((one) => one && links.has(one)))];
    const at = beneath.indexOf(box.dataset.area);
    choose(at >= 0 ? beneath[(at + 1) % beneath.length] : beneath[0]);
  });

  let line;
  svg.addEventListener("pointerover", (event) => {
    if (line) line.remove();
    line = null;
    const path = event.target.closest("path[data-area]");
    if (!path) return;
    line = path.cloneNode();
    for (const name of ["fill", "data-area"]) line.removeAttribute(name);
    line.setAttribute("class", "hover-line");
    path.closest("g[id]").after(line);
    const link = links.get(path.dataset.area);
    if (link && !path.firstChild) {
      const title = document.createElementNS("http://www.w3.org/2000/svg", "title");
      title.textContent = link.textContent;
      path.append(title);
    }
  });

  box.addEventListener("keydown", (event) => {
    if (event.target !== box) return;
    const turn = TURN[event.key];
    if (turn) {
      event.preventDefault();
      choose(next(links, box.dataset.area, turn));
    }
  });
});

/* The nearest area in a direction; going further aside costs three times the way. */
function next(links, from, [dx, dy]) {
  const place = (link) => link.dataset.label.split(" ").map(Number);
  const [view, x, y] = place(links.get(from));
  let best;
  let cost = Infinity;
  for (const [area, link] of links) {
    const [otherView, otherX, otherY] = place(link);
    if (area === from || otherView !== view) continue;
    const along = (otherX - x) * dx + (otherY - y) * dy;
    const aside = Math.abs((otherX - x) * dy) + Math.abs((otherY - y) * dx);
    if (along > 1 && along + 3 * aside < cost) {
      cost = along + 3 * aside;
      best = area;
    }
  }
  return best;
}
