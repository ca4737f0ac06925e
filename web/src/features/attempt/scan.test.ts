import encodeQR from "qr";
import { expect, it } from "vitest";
import { codeIn, pathIn } from "./scan";

const DARK = 30;
const LIGHT = 220;
const QUIET = 4;

/** A code as a camera sees it: grey levels with noise, the scale in pixels a module. */
function seen(text: string, scale: number, noise: number) {
  const modules = encodeQR(text, "raw", { ecc: "medium", border: QUIET });
  const side = modules.length * scale;
  const data = new Uint8ClampedArray(4 * side * side);
  let dice = 12345;
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) {
      dice = (dice * 1103515245 + 12345) % 2147483648;
      const level = modules[Math.floor(y / scale)]?.[Math.floor(x / scale)] ? DARK : LIGHT;
      const value = level + (dice / 2147483648 - 0.5) * noise;
      data.set([value, value, value, 255], 4 * (y * side + x));
    }
  return { width: side, height: side, data };
}

it.each([
  ["https://192.168.1.20:8443/course/3/attempt/12/booth", "/course/3/attempt/12/booth"],
  ["http://school.example/course/3/at-booth/4", "/course/3/at-booth/4"],
  ["https://elsewhere.example/pay", null],
  ["https://school.example/course/3/attempt/12/booth?next=//evil", null],
  ["javascript:alert(1)//course/3/at-booth/4", null],
  ["hello", null],
])("leads from %s to %s", (text, path) => expect(pathIn(text)).toBe(path));

it.each([
  [4, 0],
  [6, 60],
])("reads a code %i pixels a module with noise %i", (scale, noise) => {
  const text = "https://192.168.1.20:8443/course/3/attempt/12/booth";
  expect(codeIn(seen(text, scale, noise))).toBe(text);
});

it("sees none where there is none", () => {
  const data = new Uint8ClampedArray(4 * 64 * 64).fill(128);
  expect(codeIn({ width: 64, height: 64, data })).toBeNull();
});
