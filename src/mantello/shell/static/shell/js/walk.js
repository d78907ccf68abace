// @ts-check
/* A figure from bare to finished: one picture and a slider in the place of the row that is there without script. */
import { behaviour } from "./behaviour.js";

behaviour("walk", (/** @type {HTMLElement} */ box) => {
  const moments = [...box.querySelectorAll("li")];
  if (moments.length < 2) return;
  const words = moments.map((moment) => moment.textContent?.trim() || "");
  const row = box.querySelector("ol");
  const label = document.createElement("label");
  const slider = document.createElement("input");
  slider.type = "range";
  slider.min = "0";
  slider.max = String(moments.length - 1);
  const said = document.createElement("span");
  label.append(said, slider);
  box.append(label);
  row?.classList.add("one");

  function show() {
    const at = Number(slider.value);
    moments.forEach((moment, place) => {
      moment.hidden = place !== at;
      const picture = moment.querySelector("img");
      if (picture && Math.abs(place - at) < 2) picture.loading = "eager";
    });
    said.textContent = `${at + 1} of ${moments.length}: ${words[at]}`;
    slider.setAttribute("aria-valuetext", words[at]);
  }
  slider.setAttribute("aria-label", "Steps of the figure, from the undercoat to finished");
  slider.value = String(moments.length - 2);
  slider.addEventListener("input", show);
  slider.addEventListener("change", (event) => event.stopPropagation());
  show();
});
