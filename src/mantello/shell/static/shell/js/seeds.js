// @ts-check
/* Colours to start from as swatches: each opens the browser's own choice of colour, a cross takes it away, a plus adds one. What they
 * say is written in the field beneath, which is all there is without script. */
import { behaviour } from "./behaviour.js";

const NEW = "#8a2433";
const HEX = /^#[0-9a-f]{6}$/i;

behaviour("seeds", (/** @type {HTMLElement} */ box) => {
  const field = /** @type {HTMLInputElement} */ (document.getElementById(box.dataset.into || ""));
  const row = document.createElement("div");
  row.className = "seed-row";
  field.before(row);

  const said = () => field.value.split(",").map((one) => one.trim()).filter(Boolean);
  const say = (/** @type {string[]} */ colours) => {
    field.value = colours.join(", ");
    field.dispatchEvent(new Event("change", { bubbles: true }));
  };

  function show() {
    row.replaceChildren(
      ...said().flatMap((colour, at) => (HEX.test(colour) ? [swatch(colour, at)] : [])),
      button("Add a colour", "btn btn-s", () => say([...said(), NEW])),
    );
  }

  function swatch(/** @type {string} */ colour, /** @type {number} */ at) {
    const seed = document.createElement("span");
    seed.className = "seed";
    const input = document.createElement("input");
    input.type = "color";
    input.value = colour;
    input.setAttribute("aria-label", `Colour ${at + 1}, ${colour}`);
    input.addEventListener("change", (event) => {
      event.stopPropagation();
      say(said().map((one, place) => (place === at ? input.value : one)));
    });
    seed.append(input, button("\u00d7", "", () => say(said().filter((_, place) => place !== at)), `Leave ${colour} out`));
    return seed;
  }

  function button(/** @type {string} */ words, /** @type {string} */ style, /** @type {() => void} */ press, label = words) {
    const made = document.createElement("button");
    made.type = "button";
    made.className = style;
    made.textContent = words;
    made.setAttribute("aria-label", label);
    made.addEventListener("click", press);
    return made;
  }

  field.addEventListener("change", show);
  show();
});
