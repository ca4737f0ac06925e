/** What the guide needs of the OpenAPI description. */
type Schema = {
  $ref?: string;
  type?: string;
  format?: string;
  items?: Schema;
  properties?: Record<string, Schema>;
};
type Media = Record<string, { schema?: Schema }>;
type Operation = {
  description?: string;
  parameters?: { name: string; in: string; required?: boolean; schema?: Schema }[];
  requestBody?: { content: Media };
  responses: Record<string, { content?: Media }>;
};
export type Description = {
  paths: Record<string, Record<string, Operation>>;
  components: { schemas: Record<string, Schema> };
};

export type Call = {
  method: string;
  path: string;
  about: string;
  asks: string[];
  sends: string[];
  gives: string[];
};

const METHODS = ["get", "post", "put", "patch", "delete"];

/** A schema in a few words: what it is called, or of what kind. */
function named(schema: Schema | undefined): string {
  if (!schema) return "";
  if (schema.$ref) return schema.$ref.split("/").at(-1) ?? "";
  if (schema.type === "array") return `list of ${named(schema.items)}`;
  return schema.format ?? schema.type ?? "anything";
}

/** The fields of what a body or an answer holds. */
function fields(media: Media | undefined, all: Description): string[] {
  const [type, one] = Object.entries(media ?? {})[0] ?? [];
  if (!type) return [];
  const schema = one?.schema;
  const inner = schema?.type === "array" ? schema.items : schema;
  const found = inner?.$ref ? all.components.schemas[named(inner)] : inner;
  if (!found?.properties) return [type];
  return Object.entries(found.properties).map(([name, of]) => `${name}: ${named(of)}`);
}

/** Every call, in groups by the first part of its address. */
export function callsOf(all: Description): Map<string, Call[]> {
  const groups = new Map<string, Call[]>();
  for (const [path, methods] of Object.entries(all.paths)) {
    const group = path.split("/")[2] ?? path;
    for (const method of METHODS) {
      const one = methods[method];
      if (!one) continue;
      const good = Object.entries(one.responses).find(([status]) => status.startsWith("2"));
      const call = {
        method: method.toUpperCase(),
        path,
        about: one.description ?? "",
        asks: (one.parameters ?? []).map(
          (p) => `${p.name}: ${named(p.schema)}${p.in === "query" ? " (?)" : ""}`,
        ),
        sends: fields(one.requestBody?.content, all),
        gives: fields(good?.[1].content, all),
      };
      groups.set(group, [...(groups.get(group) ?? []), call]);
    }
  }
  return groups;
}
