/** Every sentence of the page by its name, in the reader's locale: the server's own files (Project Fluent). */

import { FluentBundle, FluentResource, type FluentVariable } from "@fluent/bundle";
import { ReactLocalization } from "@fluent/react";
import { Fragment, type ReactElement } from "react";
import type { Messages } from "./api/generated-messages";

export type MessageId = keyof Messages & string;
type Variables<Id extends MessageId> = { [name in Messages[Id]]: FluentVariable };

export const LOCALES = ["en-GB", "en-US"] as const;
export type Locale = (typeof LOCALES)[number];

const WHOLE = "en-GB";
/** Accented and a third longer: shows what does not come from the catalogue, and what does not fit its place. */
const PSEUDO = "en-XA";
const CHOSEN = "judicum.locale";

const files = import.meta.glob<string>(
  [
    "../../src/judicum/words/locales/*/page/*.ftl",
    "../../src/judicum/words/locales/*/shared/*.ftl",
    "../../src/judicum/words/locales/*/*.ftl",
  ],
  { query: "?raw", import: "default", eager: true },
);

const known: readonly string[] = [...LOCALES, PSEUDO];

function found(): string {
  if (typeof window === "undefined") return WHOLE;
  const asked = [localStorage.getItem(CHOSEN), ...navigator.languages];
  return asked.find((one) => one !== null && known.includes(one)) ?? WHOLE;
}

/** The locale of this page: the account's, else the browser's; read once, when the page opens. */
export const locale = found();

/** Keep the account's locale (none: the browser's), and open the page again where it differs from what is shown. */
export function keepLocale(account: string): void {
  if (account === "") localStorage.removeItem(CHOSEN);
  else localStorage.setItem(CHOSEN, account);
  if (found() !== locale) window.location.reload();
}

const ACCENTS: Record<string, string> = Object.fromEntries(
  [..."AEIOUaeiouncsyz"].map((plain, i) => [plain, "ÅÉÎÖÛåéîöûñçšýž".charAt(i)]),
);

function pseudo(text: string): string {
  let vowels = 0;
  return [...text]
    .map((letter) => {
      const vowel = "aeiou".includes(letter);
      if (vowel) vowels += 1;
      const accented = ACCENTS[letter] ?? letter;
      return vowel && vowels % 2 === 0 ? accented + accented : accented;
    })
    .join("");
}

function bundle(): FluentBundle {
  const made = new FluentBundle(locale === PSEUDO ? WHOLE : locale, {
    useIsolating: false,
    ...(locale === PSEUDO ? { transform: pseudo } : {}),
  });
  for (const one of new Set([WHOLE, locale])) {
    for (const [path, text] of Object.entries(files)) {
      if (path.includes(`/${one}/`))
        made.addResource(new FluentResource(text), { allowOverrides: one !== WHOLE });
    }
  }
  return made;
}

function parsed(text: string) {
  const template = document.createElement("template");
  template.innerHTML = text;
  return [...template.content.childNodes];
}

const whole = bundle();
const messages = new ReactLocalization([whole], parsed);

type Rest<Id extends MessageId> = [Messages[Id]] extends [never] ? [] : [variables: Variables<Id>];

/** A message with its variables; a plural follows a variable that is a number. */
export function t<Id extends MessageId>(id: Id, ...[variables]: Rest<Id>): string {
  return messages.getString(id, variables);
}

/** What a code of some kind is called (`state`, `option-metal` …); a code without a name is shown as it is. */
export function named(kind: string, code: string): string {
  const id = `${kind}-${code.replace(/[^A-Za-z0-9_-]/g, "-")}`;
  return whole.hasMessage(id) ? messages.getString(id) : code;
}

type SayProps<Id extends MessageId> = {
  id: Id;
  vars?: Variables<Id>;
  /** What stands for each tag of the message. */
  elems: Record<string, ReactElement>;
};

/** A message with elements in it: links, what is bold. */
export function Say<Id extends MessageId>({ id, vars, elems }: SayProps<Id>) {
  return messages.getElement(<Fragment />, id, { vars: vars ?? {}, elems });
}
