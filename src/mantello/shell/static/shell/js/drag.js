/* Bars of the session that can be dragged, or moved by arrow keys: the lanes are laid anew while they move, and kept when let go. */
import { asked } from "./asking.js";
import { behaviour } from "./behaviour.js";
import { post } from "./live.js";
import { newest } from "./newest.js";
import { visit } from "./page.js";

const STEP = 5;
const PAUSE = 120;

behaviour("drag-lanes", (box) => {
  const label = box.parentElement.querySelector("[data-drag-words]");
  const still = label.textContent;
  let held = null;
  let timer = null;
  const latest = newest();

  const scaleOf = (svg) => ({
    scale: Number(svg.dataset.scale),
    minutes: Number(svg.dataset.minutes),
    start: svg.dataset.start.split(":").reduce((hours, part) => hours * 60 + Number(part), 0),
    perPixel: svg.viewBox.baseVal.width / svg.getBoundingClientRect().width,
  });

  function take(bar, x) {
    const svg = bar.ownerSVGElement;
    const measure = scaleOf(svg);
    const from = (bar.x.baseVal.value - Number(svg.dataset.left)) / measure.scale;
    held = { batch: bar.dataset.batch, title: bar.getAttribute("aria-label").split(",")[0], x, from, to: null, before: box.innerHTML, ...measure };
  }

  function clock(minutes) {
    const at = Math.round(held.start + minutes);
    return `${String(Math.floor(at / 60) % 24).padStart(2, "0")}:${String(at % 60).padStart(2, "0")}`;
  }

  function move(minutes) {
    const to = Math.max(0, Math.min(held.minutes - STEP, Math.round(minutes / STEP) * STEP));
    if (to === held.to) return;
    held.to = to;
    label.textContent = `${held.title}: to ${clock(to)}`;
    clearTimeout(timer);
    timer = setTimeout(preview, PAUSE);
  }

  async function preview() {
    const mine = held;
    const query = new URLSearchParams({ batch: mine.batch, to: mine.to });
    const answer = await latest(() => asked(`${box.dataset.preview}?${query}`).catch(() => null));
    if (!answer || !answer.ok || held !== mine) return;
    box.innerHTML = await answer.text();
  }

  function leave() {
    clearTimeout(timer);
    if (held) box.innerHTML = held.before;
    held = null;
    label.textContent = still;
  }

  function keep() {
    const { batch, to } = held;
    clearTimeout(timer);
    held = null;
    post(box.dataset.move, { batch, to });
  }

  box.addEventListener("pointerdown", (event) => {
    const grip = event.target.closest("[data-handle]");
    const bar = grip ? box.querySelector(`[data-batch="${grip.dataset.handle}"]`) : event.target.closest("[data-batch]");
    if (!bar || event.button) return;
    // a finger scrolls; it moves a bar by its grip alone
    if (event.pointerType === "touch" && !grip) return;
    take(bar, event.clientX);
    box.setPointerCapture(event.pointerId);
  });
  box.addEventListener("pointermove", (event) => {
    if (!held || held.x === null) return;
    const minutes = ((event.clientX - held.x) * held.perPixel) / held.scale;
    if (held.to !== null || Math.abs(minutes) >= STEP / 2) move(held.from + minutes);
  });
  box.addEventListener("pointerup", () => {
    if (!held || held.x === null) return;
    if (held.to === null) {
      const { batch } = held;
      held = null;
      visit(`${box.dataset.desk}?batch=${batch}`, { push: true });
    } else keep();
  });
  box.addEventListener("pointercancel", leave);
  box.addEventListener("click", (event) => {
    const bar = event.target.closest("[data-batch]");
    if (bar && event.pointerType === "touch") visit(`${box.dataset.desk}?batch=${bar.dataset.batch}`, { push: true });
  });
  box.addEventListener("keydown", (event) => {
    if (event.key === "Escape" && held) leave();
    else if (event.key === "Enter" && held && held.to !== null) keep();
    else if (event.key === "Enter" && event.target.dataset.batch) visit(`${box.dataset.desk}?batch=${event.target.dataset.batch}`, { push: true });
    else if (event.key === "ArrowLeft" || event.key === "ArrowRight") {
      if (!held && !event.target.dataset.batch) return;
      if (!held) {
        take(event.target, null);
        box.focus();
      }
      move((held.to ?? held.from) + (event.key === "ArrowRight" ? STEP : -STEP));
    } else return;
    event.preventDefault();
  });
});
