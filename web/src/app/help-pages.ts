/** The pages of docs/help as they ship with the page; the README links to the same files. */

const texts = import.meta.glob<string>("../../../docs/help/*.md", {
  query: "?raw",
  import: "default",
  eager: true,
});
const drawings = import.meta.glob<string>("../../../docs/help/*.svg", {
  query: "?url",
  import: "default",
  eager: true,
});

const nameOf = (path: string) => path.replace(/^.*\//, "").replace(/\.\w+$/, "");

export const CONTENTS = "README";
export const pages: Record<string, string> = Object.fromEntries(
  Object.entries(texts).map(([path, text]) => [nameOf(path), text]),
);
export const drawingOf = (file: string): string =>
  Object.entries(drawings).find(([path]) => path.endsWith(`/${file}`))?.[1] ?? file;

/** The anchor of a heading: its words in small letters, joined. */
export const anchorOf = (heading: string): string =>
  heading
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "");

export type Found = { page: string; title: string; anchor: string; line: string };

/** Sections that hold every word that is looked for, those with the words in their heading first. */
export function found(wanted: string): Found[] {
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  const holds = (text: string) => words.every((word) => text.toLowerCase().includes(word));
  const sections = Object.entries(pages).flatMap(([page, text]) =>
    text.split(/^(?=#+ )/m).map((section) => {
      const [head = "", ...rest] = section.split("\n");
      const title = head.replace(/^#+ /, "");
      const line = rest.find((one) => holds(one)) ?? rest.find((one) => one.trim() !== "") ?? "";
      return { page, title, anchor: anchorOf(title), line: line.replace(/[*_#]|^\d+\. |^- /g, ""), section };
    }),
  );
  return sections
    .filter(({ page, section }) => page !== CONTENTS && holds(section))
    .sort((a, b) => Number(holds(b.title)) - Number(holds(a.title)))
    .map(({ page, title, anchor, line }) => ({ page, title, anchor, line }));
}
