/** Reading the codes on booths, job sheets and blanks; pure but for the decoder, which works without a connection. */

import decodeQR from "qr/decode.js";

/** Where a code leads within this page, whatever host printed it; null for a code that is none of ours. */
export function pathIn(text: string): string | null {
  const path = /^https?:\/\/[^/]+(\/course\/\d+\/(?:attempt\/\d+\/booth|at-booth\/\d+))$/.exec(text.trim());
  return path?.[1] ?? null;
}

/** What a picture's code says; null where none is seen. */
export function codeIn(picture: Pick<ImageData, "width" | "height" | "data">): string | null {
  try {
    return decodeQR(picture);
  } catch {
    return null; // the decoder throws for a picture without a whole code
  }
}
