/* A click on a figure's drawing places a site: the numbers of the form follow, and a frame shows it. */
import { behaviour } from "./behaviour.js";

const SVG = "http://www.w3.org/2000/svg";

behaviour("place-site", (stage) => {
  const drawing = stage.querySelector("svg");
  const field = (name) => /** @type {HTMLInputElement} */ (document.getElementById(`id_${name}`));
  const frame = document.createElementNS(SVG, "rect");
  frame.setAttribute("fill", "none");
  frame.setAttribute("stroke", "#1b1b1b");
  frame.setAttribute("stroke-width", "3");
  drawing.append(frame);

  function show() {
    const [x, y, width, height] = ["x", "y", "width", "height"].map((name) => Number.parseFloat(field(name).value));
    const known = [x, y, width, height].every(Number.isFinite);
    frame.setAttribute("visibility", known ? "visible" : "hidden");
    if (!known) return;
    frame.setAttribute("x", String(x * 10 - width * 5));
    frame.setAttribute("y", String(-y * 10 - height * 5));
    frame.setAttribute("width", String(width * 10));
    frame.setAttribute("height", String(height * 10));
  }

  drawing.addEventListener("click", (event) => {
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(drawing.getScreenCTM().inverse());
    field("x").value = (at.x / 10).toFixed(2);
    field("y").value = (-at.y / 10).toFixed(2);
    show();
    if (!field("name").value) field("name").focus({ preventScroll: true });
  });
  for (const name of ["x", "y", "width", "height"]) field(name).addEventListener("input", show);
  show();
});
