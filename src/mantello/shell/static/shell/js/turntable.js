/* A model in its colours that can be turned: drawn by the graphics card where a browser lets us, not shown where it does not. */
import { asked } from "./asking.js";
import { behaviour } from "./behaviour.js";
import { cornersOf, pose } from "./turning.js";

const VERTEX = `
attribute vec3 at; attribute vec3 way; attribute float sky; attribute vec3 colour;
uniform mat4 pose; uniform mat3 turn; uniform float step;
varying vec3 tone;
void main() {
  vec3 looks = normalize(turn * way);
  float lamp = max(dot(looks, normalize(vec3(-0.42, 0.7, 0.6))), 0.0);
  float light = (0.25 + 0.85 * lamp) * (0.35 + 0.65 * sky) / 0.8;
  tone = pow(colour, vec3(2.2)) * light;
  gl_Position = pose * vec4(at * step, 1.0);
}`;
const FRAGMENT = `
precision mediump float; varying vec3 tone;
void main() { gl_FragColor = vec4(pow(min(tone, vec3(1.0)), vec3(1.0 / 2.2)), 1.0); }`;
const DRAG = 0.5;

behaviour("turntable", async (box) => {
  const canvas = box.querySelector("canvas");
  const [about, down] = ["turn-about", "turn-down"].map((id) => /** @type {HTMLInputElement} */ (box.querySelector(`#${id}`)));
  const graphics = canvas.getContext("webgl", { antialias: true, alpha: true });
  if (!graphics) return;
  const answer = await asked(box.dataset.surface).catch(() => null);
  if (!answer || !answer.ok) return;
  const model = cornersOf(await answer.arrayBuffer(), JSON.parse(box.dataset.colours));
  const program = built(graphics);
  if (!program) return;
  filled(graphics, program, model);
  box.hidden = false;

  function draw() {
    const ratio = Math.min(globalThis.devicePixelRatio || 1, 2);
    const [wide, tall] = [Math.round(canvas.clientWidth * ratio), Math.round(canvas.clientHeight * ratio)];
    if (!wide || !tall) return;
    if (canvas.width !== wide || canvas.height !== tall) [canvas.width, canvas.height] = [wide, tall];
    graphics.viewport(0, 0, wide, tall);
    graphics.clearColor(0, 0, 0, 0);
    graphics.clear(graphics.COLOR_BUFFER_BIT | graphics.DEPTH_BUFFER_BIT);
    const { matrix, turn } = pose(Number(about.value), Number(down.value), model.low, model.high, wide / tall);
    graphics.uniformMatrix4fv(graphics.getUniformLocation(program, "pose"), false, matrix);
    graphics.uniformMatrix3fv(graphics.getUniformLocation(program, "turn"), false, turn);
    graphics.uniform1f(graphics.getUniformLocation(program, "step"), model.step);
    graphics.drawArrays(graphics.TRIANGLES, 0, model.count);
    box.setAttribute("data-turned", `${about.value} ${down.value}`);
  }

  let frame = 0;
  const soon = () => {
    cancelAnimationFrame(frame);
    frame = requestAnimationFrame(draw);
  };
  for (const one of [about, down]) one.addEventListener("input", soon);
  let from = null;
  canvas.addEventListener("pointerdown", (event) => {
    canvas.setPointerCapture(event.pointerId);
    from = [event.clientX, event.clientY, Number(about.value), Number(down.value)];
  });
  canvas.addEventListener("pointermove", (event) => {
    if (!from) return;
    const turned = from[2] + (event.clientX - from[0]) * DRAG;
    about.value = String(((((turned + 180) % 360) + 360) % 360) - 180);
    down.value = String(from[3] + (event.clientY - from[1]) * DRAG);
    soon();
  });
  for (const name of ["pointerup", "pointercancel"]) canvas.addEventListener(name, () => (from = null));
  new ResizeObserver(soon).observe(canvas);
  draw();
});

function built(graphics) {
  const program = graphics.createProgram();
  for (const [kind, text] of [
    [graphics.VERTEX_SHADER, VERTEX],
    [graphics.FRAGMENT_SHADER, FRAGMENT],
  ]) {
    const shader = graphics.createShader(kind);
    graphics.shaderSource(shader, text);
    graphics.compileShader(shader);
    graphics.attachShader(program, shader);
  }
  graphics.linkProgram(program);
  if (!graphics.getProgramParameter(program, graphics.LINK_STATUS)) return null;
  graphics.useProgram(program);
  graphics.enable(graphics.DEPTH_TEST);
  return program;
}

function filled(graphics, program, model) {
  const bound = (name, data, size, kind, even, stride, offset) => {
    graphics.bindBuffer(graphics.ARRAY_BUFFER, data);
    const at = graphics.getAttribLocation(program, name);
    graphics.enableVertexAttribArray(at);
    graphics.vertexAttribPointer(at, size, kind, even, stride, offset);
  };
  const buffer = (data) => {
    const made = graphics.createBuffer();
    graphics.bindBuffer(graphics.ARRAY_BUFFER, made);
    graphics.bufferData(graphics.ARRAY_BUFFER, data, graphics.STATIC_DRAW);
    return made;
  };
  const [corners, colours] = [buffer(model.corners), buffer(model.colours)];
  bound("at", corners, 3, graphics.SHORT, false, model.bytes, 0);
  bound("way", corners, 3, graphics.BYTE, true, model.bytes, 6);
  bound("sky", corners, 1, graphics.UNSIGNED_BYTE, true, model.bytes, 9);
  bound("colour", colours, 3, graphics.UNSIGNED_BYTE, true, 3, 0);
}
