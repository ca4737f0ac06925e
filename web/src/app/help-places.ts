/** Which page of docs/help belongs to which screen; pure. */

const PAGES: [pattern: RegExp, page: string][] = [
  [/\/desk$/, "desk"],
  [/\/assign$/, "library"],
  [/\/builder/, "builder"],
  [/\/wall$/, "class"],
  [/\/compare\//, "class"],
  [/\/sessions$/, "sessions"],
  [/\/stock$/, "stock"],
  [/\/workbench$/, "calculators"],
  [/\/course\/\d+\/people$/, "people"],
  [/\/records$/, "import-export"],
  [/\/(markers|self-test)/, "consistency"],
  [/\/reports$/, "reports"],
  [/\/schools$/, "methods"],
  [/\/schemes$/, "schemes"],
  [/\/(student\/\d+|time)$/, "progress"],
  [/\/mine$/, "my-coupons"],
  [/^\/workshop/, "workshop"],
  [/^\/(account|api-guide)/, "account"],
];

/** The page of help for an address; an attempt is another screen to its student than to those who mark it. */
export function pageOf(pathname: string, student: boolean): string {
  if (/\/attempt\//.test(pathname)) return student ? "attempt" : "marking";
  return PAGES.find(([pattern]) => pattern.test(pathname))?.[1] ?? "README";
}
