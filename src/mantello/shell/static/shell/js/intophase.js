/* A step of the order is dragged by its grip into another phase: mouse, pen or finger. The form of the step does the rest. */
import { behaviour } from "./behaviour.js";

behaviour("into-phase", (grip) => {
  const row = grip.closest(".o-row");
  const form = /** @type {HTMLFormElement} */ (row.querySelector("form[data-put]"));
  const choice = /** @type {HTMLSelectElement} */ (form.elements.namedItem("phase"));
  const bands = grip.closest(".bands");
  let over = null;

  const aimed = (event) => {
    const band = document.elementFromPoint(event.clientX, event.clientY)?.closest(".band");
    return band && bands.contains(band) ? band : null;
  };
  const leave = () => {
    over?.classList.remove("aimed");
    over = null;
    row.classList.remove("held");
  };

  grip.addEventListener("click", (event) => event.preventDefault());
  grip.addEventListener("pointerdown", (event) => {
    event.preventDefault();
    grip.setPointerCapture(event.pointerId);
    row.classList.add("held");
  });
  grip.addEventListener("pointermove", (event) => {
    if (!grip.hasPointerCapture(event.pointerId)) return;
    const band = aimed(event);
    if (band === over) return;
    over?.classList.remove("aimed");
    over = band;
    over?.classList.add("aimed");
    over?.scrollIntoView({ block: "nearest" });
  });
  grip.addEventListener("pointerup", (event) => {
    if (!row.classList.contains("held")) return;
    const band = aimed(event);
    leave();
    const phase = band?.dataset.phase;
    if (!phase || phase === choice.value) return;
    choice.value = phase;
    form.requestSubmit();
  });
  grip.addEventListener("pointercancel", leave);
});
