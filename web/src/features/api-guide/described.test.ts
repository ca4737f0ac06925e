import { expect, it } from "vitest";
import { callsOf } from "./described";

const json = (schema: object) => ({ "application/json": { schema } });

it("groups calls by address and names what is sent and answered", () => {
  const groups = callsOf({
    paths: {
      "/api/courses/{course_id}/booths": {
        post: {
          description: "Making a booth.",
          parameters: [{ name: "course_id", in: "path", schema: { type: "integer" } }],
          requestBody: { content: json({ $ref: "#/components/schemas/SetBooth" }) },
          responses: {
            "201": { content: json({ type: "array", items: { $ref: "#/x/Booth" } }) },
            default: {},
          },
        },
      },
      "/api/session": { delete: { responses: { "204": {} } } },
    },
    components: {
      schemas: {
        SetBooth: { type: "object", properties: { name: { type: "string" } } },
        Booth: { type: "object", properties: { id: { type: "integer" }, has: { type: "array", items: {} } } },
      },
    },
  });
  expect([...groups.keys()]).toEqual(["courses", "session"]);
  expect(groups.get("courses")?.[0]).toEqual({
    method: "POST",
    path: "/api/courses/{course_id}/booths",
    about: "Making a booth.",
    asks: ["course_id: integer"],
    sends: ["name: string"],
    gives: ["id: integer", "has: list of anything"],
  });
  expect(groups.get("session")?.[0]?.gives).toEqual([]);
});
