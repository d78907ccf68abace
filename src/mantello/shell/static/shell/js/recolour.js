/* Recolours what carries one role in a drawing, at the screen's speed whatever it holds.

   The drawing is made twice, with the role black and with it white. Between the two every pixel goes straight
   with the colour: pixel = dark + (light - dark) * colour, shading and soft edges included. So a new colour costs
   a few operations for each pixel that the role reaches, and no drawing. Null while the drawing has no size. */

export async function recoloured(svg, role) {
  const place = svg.getBoundingClientRect();
  const scale = window.devicePixelRatio || 1;
  const width = Math.round(place.width * scale);
  const height = Math.round(place.height * scale);
  if (!width || !height) return null;
  const [dark, light] = await Promise.all(["#000", "#fff"].map((fill) => pixels(svg, role, fill, width, height)));
  const canvas = document.createElement("canvas");
  Object.assign(canvas, { width, height, className: "recoloured" });
  canvas.setAttribute("aria-hidden", "true");
  svg.after(canvas);
  const context = canvas.getContext("2d");
  const shown = context.createImageData(width, height);
  const reached = [];
  for (let at = 0; at < dark.length; at += 4) {
    if (light[at] !== dark[at] || light[at + 1] !== dark[at + 1] || light[at + 2] !== dark[at + 2]) {
      reached.push(at);
      shown.data[at + 3] = Math.max(dark[at + 3], light[at + 3]);
    }
  }
  return {
    paint(hex) {
      const colour = [1, 3, 5].map((from) => parseInt(hex.slice(from, from + 2), 16) / 255);
      const data = shown.data;
      for (const at of reached) {
        for (let channel = 0; channel < 3; channel++) data[at + channel] = dark[at + channel] + (light[at + channel] - dark[at + channel]) * colour[channel];
      }
      context.putImageData(shown, 0, 0);
      canvas.dataset.colour = hex;
    },
    clear() {
      context.clearRect(0, 0, width, height);
      canvas.dataset.colour = "";
    },
  };
}

async function pixels(svg, role, fill, width, height) {
  const copy = svg.cloneNode(true);
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  copy.setAttribute("width", width);
  copy.setAttribute("height", height);
  for (const one of copy.querySelectorAll(`[data-role="${CSS.escape(role)}"]`)) one.setAttribute("fill", fill);
  const picture = new Image();
  picture.src = `data:image/svg+xml,${encodeURIComponent(new XMLSerializer().serializeToString(copy))}`;
  await picture.decode();
  const context = new OffscreenCanvas(width, height).getContext("2d", { willReadFrequently: true });
  context.drawImage(picture, 0, 0, width, height);
  return context.getImageData(0, 0, width, height).data;
}
