/* Colours picked from a picture that never leaves the machine: first the grey card, then what is wanted. */
import { asked } from "./asking.js";
import { behaviour } from "./behaviour.js";

/* Pixels averaged about a click, so that grain and brush marks do not decide. */
const REACH = 4;
const WIDEST = 900;

behaviour("pick-colours", (box) => {
  const canvas = box.querySelector("canvas");
  const said = box.querySelector("[data-said]");
  const row = box.querySelector("[data-picked]");
  const again = box.querySelector("[data-again]");
  const into = () => document.getElementById(box.dataset.into);
  let card = null;

  const tell = (words) => {
    said.textContent = words;
  };
  box.querySelector("input[type=file]").addEventListener("change", async (event) => {
    event.stopPropagation();
    const file = event.target.files[0];
    if (!file) return;
    try {
      const picture = await createImageBitmap(file);
      const scale = Math.min(1, WIDEST / picture.width);
      canvas.width = Math.round(picture.width * scale);
      canvas.height = Math.round(picture.height * scale);
      canvas.getContext("2d", { willReadFrequently: true }).drawImage(picture, 0, 0, canvas.width, canvas.height);
      canvas.hidden = false;
      card = null;
      tell("Now click the grey card.");
    } catch {
      tell(`'${file.name}' is no picture this browser can open; choose a JPEG or PNG.`);
    }
  });

  canvas.addEventListener("click", async (event) => {
    const place = canvas.getBoundingClientRect();
    const colour = average(canvas, ((event.clientX - place.left) * canvas.width) / place.width, ((event.clientY - place.top) * canvas.height) / place.height);
    const answer = await asked(`${box.dataset.ask}?${new URLSearchParams({ card: card || colour, colour })}`).catch(() => null);
    if (!answer) {
      tell("The server cannot be reached, or you are signed out; click again in a moment.");
      return;
    }
    const text = await answer.text();
    if (!answer.ok) {
      tell(text);
      return;
    }
    if (!card) {
      card = colour;
      again.hidden = false;
      tell("Card taken. Now click the colours, the main cloth first.");
      return;
    }
    add(JSON.parse(text).hex);
  });
  again.addEventListener("click", () => {
    card = null;
    again.hidden = true;
    tell("Click the grey card.");
  });

  /* The field changes as if typed, so the page asks for schemes that start from its colours. */
  function set(colours) {
    const field = into();
    field.value = colours.slice(-8).join(", ");
    field.dispatchEvent(new Event("change", { bubbles: true }));
  }

  const colours = () => into().value.split(",").map((one) => one.trim()).filter(Boolean);

  function add(hex) {
    set([...colours(), hex]);
    const chip = document.createElement("button");
    chip.type = "button";
    chip.title = `${hex}: click to take it out`;
    chip.style.background = hex;
    chip.addEventListener("click", () => {
      set(colours().filter((one) => one !== hex));
      chip.remove();
    });
    row.append(chip);
    tell(`${hex} taken. Click more, or look at what they lead to.`);
  }
});

function average(canvas, x, y) {
  const left = Math.max(0, Math.round(x) - REACH);
  const top = Math.max(0, Math.round(y) - REACH);
  const { data } = canvas.getContext("2d").getImageData(left, top, 2 * REACH + 1, 2 * REACH + 1);
  const sums = [0, 0, 0];
  let count = 0;
  for (let at = 0; at < data.length; at += 4) {
    if (!data[at + 3]) continue;
    count += 1;
    for (let channel = 0; channel < 3; channel++) sums[channel] += linear(data[at + channel] / 255);
  }
  return `#${sums.map((sum) => Math.round(255 * encoded(sum / count)).toString(16).padStart(2, "0")).join("")}`;
}

const linear = (value) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4);
const encoded = (value) => (value <= 0.0031308 ? value * 12.92 : 1.055 * value ** (1 / 2.4) - 0.055);
