/** Looking at a photo before it is sent: a small copy goes to the server, which says what is wrong with it. */

import { csrfToken, type Schemas } from "../../api/client";

export type PhotoProblem = Schemas["PhotoProblem"];

const COPY_PX = 1400;
const PATIENCE_MS = 2500;

/** The width and height of a copy no side of which is over `most` pixels. */
export function copySize(width: number, height: number, most = COPY_PX): [number, number] {
  const share = Math.min(1, most / Math.max(width, height));
  return [Math.round(width * share), Math.round(height * share)];
}

/** What is wrong with a photo at first sight; nothing where it cannot be told: measuring decides anyway. */
export async function precheckPhoto(file: File): Promise<PhotoProblem[]> {
  try {
    const whole = await createImageBitmap(file);
    const [width, height] = copySize(whole.width, whole.height);
    const canvas = new OffscreenCanvas(width, height);
    const pen = canvas.getContext("2d");
    if (!pen) return [];
    pen.imageSmoothingQuality = "high";
    pen.drawImage(whole, 0, 0, width, height);
    const longSide = Math.max(whole.width, whole.height);
    whole.close();
    const body = await canvas.convertToBlob({ type: "image/jpeg", quality: 0.9 });
    const answer = await fetch(`/api/photo-precheck?long_side_px=${String(longSide)}`, {
      method: "POST",
      headers: { "Content-Type": "image/jpeg", "X-CSRFToken": csrfToken() },
      body,
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
    return answer.ok ? ((await answer.json()) as PhotoProblem[]) : [];
  } catch {
    return [];
  }
}
