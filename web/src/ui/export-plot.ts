/** A drawn plot as a file of its own, with the look it has on the page. */

import { t } from "../catalogue";

const KEPT = [
  "fill",
  "fill-opacity",
  "stroke",
  "stroke-width",
  "stroke-dasharray",
  "font-size",
  "font-weight",
  "text-anchor",
];
const PNG_SCALE = 3;

/** The SVG with every computed style written into it, so that it looks the same without the page's sheets. */
export function svgOf(plot: SVGSVGElement): string {
  const copy = plot.cloneNode(true) as SVGSVGElement;
  const [from, to] = [plot, copy].map((root) => [root, ...root.querySelectorAll<SVGElement>("*")]);
  from?.forEach((element, i) => {
    const seen = getComputedStyle(element);
    const style = KEPT.map((name) => `${name}:${seen.getPropertyValue(name)}`).join(";");
    to?.[i]?.setAttribute("style", `${style};font-family:sans-serif`);
  });
  const { width, height } = sizeOf(plot);
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  copy.setAttribute("width", String(width));
  copy.setAttribute("height", String(height));
  return new XMLSerializer().serializeToString(copy);
}

/** The same as a picture, at three times its size on the page. */
export async function pngOf(plot: SVGSVGElement, background: string): Promise<Blob> {
  const { width, height } = sizeOf(plot);
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svgOf(plot))}`;
  await image.decode();
  const canvas = document.createElement("canvas");
  canvas.width = width * PNG_SCALE;
  canvas.height = height * PNG_SCALE;
  const context = canvas.getContext("2d");
  if (!context) throw new Error(t("ui-this-browser-cannot-draw-pictures"));
  context.fillStyle = background;
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((done, failed) =>
    canvas.toBlob((blob) => (blob ? done(blob) : failed(new Error(t("ui-the-picture-could-not-be-made"))))),
  );
}

/** Rows as CSV (RFC 4180); nothing in it that a spreadsheet would run. */
export function csvOf(rows: readonly (readonly string[])[]): string {
  const tame = (cell: string) => (/^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell);
  const quoted = (cell: string) => (/[",\r\n]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell);
  return rows.map((row) => row.map((cell) => quoted(tame(cell))).join(",")).join("\r\n") + "\r\n";
}

/** Hands a file to the person. */
export function save(name: string, content: string | Blob, type = "text/plain"): void {
  const blob = typeof content === "string" ? new Blob([content], { type }) : content;
  const link = document.createElement("a");
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

const sizeOf = (plot: SVGSVGElement) => {
  const { width, height } = plot.getBoundingClientRect();
  return {
    width: width || Number(plot.getAttribute("width")),
    height: height || Number(plot.getAttribute("height")),
  };
};
