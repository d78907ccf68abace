/* Colours picked from a picture: first grey marks, then what is wanted. The places that are clicked are sent as they came,
 * and the picture made very small, from which its light is judged; nothing of it is kept. */
import { asked } from "./asking.js";
import { behaviour } from "./behaviour.js";

/* Half the side of a place, as a share of the picture's width; the small picture's longer side. */
const REACH = 0.008;
const SMALL = 96;
const WIDEST = 900;

behaviour("pick-colours", (box) => {
  const canvas = box.querySelector("canvas");
  const said = box.querySelector("[data-said]");
  const row = box.querySelector("[data-picked]");
  const again = box.querySelector("[data-again]");
  const more = box.querySelector("[data-more]");
  const into = () => document.getElementById(box.dataset.into);
  let picture = null;
  let small = null;
  let marks = [];
  let marking = true;

  const tell = (words) => {
    said.textContent = words;
  };
  function begin() {
    marks = [];
    marking = true;
    again.hidden = more.hidden = true;
    tell("Now click the grey card.");
  }
  box.querySelector("input[type=file]").addEventListener("change", async (event) => {
    event.stopPropagation();
    const file = event.target.files[0];
    if (!file) return;
    try {
      picture = await createImageBitmap(file);
    } catch {
      tell(`'${file.name}' is no picture this browser can open; choose a JPEG or PNG.`);
      return;
    }
    const scale = Math.min(1, WIDEST / picture.width);
    canvas.width = Math.round(picture.width * scale);
    canvas.height = Math.round(picture.height * scale);
    canvas.getContext("2d").drawImage(picture, 0, 0, canvas.width, canvas.height);
    canvas.hidden = false;
    const less = SMALL / Math.max(picture.width, picture.height);
    const [width, height] = [picture.width, picture.height].map((size) => Math.max(12, Math.round(size * less)));
    small = { width, height, rgb: pixels(0, 0, picture.width, picture.height, width, height) };
    begin();
  });

  canvas.addEventListener("click", async (event) => {
    const shown = canvas.getBoundingClientRect();
    const place = at((event.clientX - shown.left) / shown.width, (event.clientY - shown.top) / shown.height);
    const sent = marking ? { small, marks: [...marks, place] } : { small, marks, place };
    const token = document.querySelector("input[name=csrfmiddlewaretoken]");
    const answer = await asked(box.dataset.ask, {
      method: "POST",
      body: JSON.stringify(sent),
      headers: { "Content-Type": "application/json", "X-CSRFToken": token ? token.value : "" },
    }).catch(() => null);
    if (!answer) {
      tell("The server cannot be reached, or you are signed out; click again in a moment.");
      return;
    }
    const text = await answer.text();
    if (!answer.ok) {
      tell(text);
      return;
    }
    const found = JSON.parse(text);
    if (marking) {
      marks.push(place);
      marking = false;
      again.hidden = false;
      more.hidden = marks.length > 7;
      const light = found.by === "ground" ? "The plain ground tells how even the light is." : "No plain ground was found: only colours near grey marks can be told.";
      tell(["Card taken.", ...found.doubts, light, "Now click the colours, the main cloth first."].join(" "));
      return;
    }
    add(found.hex, found.told);
  });
  again.addEventListener("click", begin);
  more.addEventListener("click", () => {
    marking = true;
    tell("Click another grey mark.");
  });

  /* A place of the picture as it came. */
  function at(x, y) {
    const half = Math.max(2, Math.round(picture.width * REACH));
    const side = Math.min(2 * half + 1, 77);
    const left = Math.min(Math.max(0, Math.round(x * picture.width) - half), Math.max(0, picture.width - side));
    const top = Math.min(Math.max(0, Math.round(y * picture.height) - half), Math.max(0, picture.height - side));
    return { x: Math.min(1, Math.max(0, x)), y: Math.min(1, Math.max(0, y)), rgb: pixels(left, top, side, side, side, side) };
  }

  /* Pixels of a part of the picture, drawn at a size, as base64 of three bytes each. */
  function pixels(left, top, wide, tall, width, height) {
    const drawn = new OffscreenCanvas(width, height);
    const pen = drawn.getContext("2d", { willReadFrequently: true });
    pen.imageSmoothingQuality = "high";
    pen.drawImage(picture, left, top, wide, tall, 0, 0, width, height);
    const { data } = pen.getImageData(0, 0, width, height);
    let bytes = "";
    for (let spot = 0; spot < data.length; spot += 4) bytes += String.fromCharCode(data[spot], data[spot + 1], data[spot + 2]);
    return btoa(bytes);
  }

  /* The field changes as if typed, so the page asks for schemes that start from its colours. */
  function set(colours) {
    const field = into();
    field.value = colours.slice(-8).join(", ");
    field.dispatchEvent(new Event("change", { bubbles: true }));
  }

  const colours = () => into().value.split(",").map((one) => one.trim()).filter(Boolean);

  function add(hex, told) {
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
    tell([`${hex} taken.`, ...told, "Click more, or look at what they lead to."].join(" "));
  }
});
