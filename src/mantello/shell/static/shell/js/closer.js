/* The plate seen closer: buttons, the keys + and -, and dragging; it stays about the chosen area from one answer to the next. */
import { behaviour } from "./behaviour.js";

const STEPS = [1, 1.6, 2.5, 4];
/* pixels after which a press is a drag and no choice */
const DRAG = 6;
let step = 0;

behaviour("closer", (box) => {
  const svg = box.querySelector("svg");
  const controls = box.querySelector("[data-closer]");
  const whole = svg.viewBox.baseVal;
  const home = { x: whole.x, y: whole.y, width: whole.width, height: whole.height };
  let centre = null;

  const within = (value, least, most) => Math.min(Math.max(value, least), most);

  function show() {
    const width = home.width / STEPS[step];
    const height = home.height / STEPS[step];
    const x = within(centre.x - width / 2, home.x, home.x + home.width - width);
    const y = within(centre.y - height / 2, home.y, home.y + home.height - height);
    svg.setAttribute("viewBox", `${x} ${y} ${width} ${height}`);
    box.toggleAttribute("data-close", step > 0);
    controls.querySelector("[data-in]").disabled = step === STEPS.length - 1;
    controls.querySelector("[data-out]").disabled = !step;
  }

  /* where the chosen area is drawn, in the units of the whole drawing */
  function chosen() {
    const area = svg.querySelector(`path[data-area="${CSS.escape(box.dataset.area)}"]`);
    if (!area) return { x: home.x + home.width / 2, y: home.y + home.height / 2 };
    const seen = area.getBoundingClientRect();
    return place(seen.x + seen.width / 2, seen.y + seen.height / 2);
  }

  function place(x, y) {
    const point = new DOMPoint(x, y).matrixTransform(svg.getScreenCTM().inverse());
    return { x: point.x, y: point.y };
  }

  function go(by) {
    if (!step || !centre) centre = chosen();
    step = within(step + by, 0, STEPS.length - 1);
    show();
  }

  controls.hidden = false;
  controls.addEventListener("click", (event) => {
    const button = event.target.closest("button");
    event.stopPropagation();
    if (button) go(button.hasAttribute("data-in") ? 1 : -1);
  });
  box.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || !["+", "=", "-"].includes(event.key)) return;
    event.preventDefault();
    go(event.key === "-" ? -1 : 1);
  });

  let from = null;
  let dragged = false;
  svg.addEventListener("pointerdown", (event) => {
    dragged = false;
    if (step && event.isPrimary) from = { x: event.clientX, y: event.clientY, centre: { ...centre } };
  });
  svg.addEventListener("pointermove", (event) => {
    if (!from) return;
    const [right, down] = [event.clientX - from.x, event.clientY - from.y];
    if (!dragged && Math.hypot(right, down) < DRAG) return;
    if (!dragged) svg.setPointerCapture(event.pointerId);
    dragged = true;
    const scale = svg.getScreenCTM().a;
    centre = { x: from.centre.x - right / scale, y: from.centre.y - down / scale };
    show();
  });
  const end = () => (from = null);
  svg.addEventListener("pointerup", end);
  svg.addEventListener("pointercancel", end);
  box.addEventListener(
    "click",
    (event) => {
      if (dragged) event.stopImmediatePropagation();
      dragged = false;
    },
    true,
  );

  if (step) {
    centre = chosen();
    show();
  }
});
