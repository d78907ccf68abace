/* The army tree: arrows walk, Alt with an arrow moves a formation, dragging one onto another puts it there. */
import { behaviour } from "./behaviour.js";
import { post } from "./live.js";

behaviour("tree", (tree) => {
  const links = () => [...tree.querySelectorAll("a[data-node]")];
  const move = (node, entries) => post(tree.dataset.move.replace("NODE", encodeURIComponent(node)), { ...entries, next: location.pathname + location.search });

  tree.addEventListener("keydown", (event) => {
    const link = event.target.closest("a[data-node]");
    if (!link || !["ArrowUp", "ArrowDown"].includes(event.key)) return;
    event.preventDefault();
    const down = event.key === "ArrowDown";
    if (event.altKey) {
      move(link.dataset.node, { do: down ? "later" : "earlier" });
      return;
    }
    const next = links()[links().indexOf(link) + (down ? 1 : -1)];
    if (next) next.focus();
  });

  let dragged = null;
  for (const link of links()) link.draggable = true;
  tree.addEventListener("dragstart", (event) => {
    const link = event.target.closest("a[data-node]");
    dragged = link && link.dataset.node;
    if (dragged) event.dataTransfer.effectAllowed = "move";
  });
  tree.addEventListener("dragover", (event) => {
    const link = event.target.closest("a[data-node]");
    const fits = dragged && link && link.dataset.node !== dragged && !("unit" in link.dataset);
    for (const one of links()) one.classList.toggle("drop", fits && one === link);
    if (fits) event.preventDefault();
  });
  tree.addEventListener("drop", (event) => {
    const link = event.target.closest("a[data-node]");
    if (!dragged || !link) return;
    event.preventDefault();
    move(dragged, { under: link.dataset.node });
    dragged = null;
  });
  tree.addEventListener("dragend", () => {
    dragged = null;
    for (const one of links()) one.classList.remove("drop");
  });
});
