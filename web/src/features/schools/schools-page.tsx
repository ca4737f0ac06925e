import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap, type Schemas } from "../../api/client";
import { useCourse } from "../../ui/course";
import { Loading, Problem } from "../../ui/states";

type Schools = Schemas["Schools"];

const questions: { key: keyof Schools; words: string; options: [string, string, string][] }[] = [
  {
    key: "pedal_school",
    words: "Pedal",
    options: [
      ["target", "Set the target, floor it", "One variable fewer; the card's machine setting is the aim."],
      ["ride", "Set above, ride the pedal", "Machine 35 % above the aim; wets the toes when cold."],
    ],
  },
  {
    key: "start_school",
    words: "Start",
    options: [
      ["quick", "Quick start", "Puddle made and moving in 1 to 3 s; heat soaks in."],
      ["settled", "Settled start", "A little filler, then wait 3 to 8 s until the puddle has settled."],
    ],
  },
  {
    key: "finish",
    words: "Finish goal of new coupons",
    options: [
      ["warm", "Warm", "Up to copper."],
      ["bright", "Bright", "Silver or straw only; root purged."],
      ["show_colour", "Show colour", "Up to blue wanted, never grey."],
    ],
  },
  {
    key: "ladder",
    words: "Ladder",
    options: [
      ["stainless", "Stainless first", "Straight on what is built."],
      ["carbon", "Carbon steel first", "Cheaper and forgiving, then the same steps on stainless."],
    ],
  },
  {
    key: "purge_school",
    words: "Purge",
    options: [
      ["always", "Always on tube", "Butts and turntable tube are purged."],
      ["root", "Where the root matters", "Only for a bright finish and on the turntable."],
    ],
  },
  {
    key: "solvent",
    words: "Wiping",
    options: [
      ["acetone", "Acetone", "Flash off, cap it."],
      ["alcohol", "Denatured alcohol", "Flash off, cap it."],
    ],
  },
  {
    key: "unit_system",
    words: "Units a newcomer sees",
    options: [
      ["metric", "mm and L/min", ""],
      ["us", "thousandths and CFH", ""],
    ],
  },
];

/** Where practitioners disagree: what this course does. */
export function SchoolsPage() {
  const course = useCourse();
  const queries = useQueryClient();
  const read = useQuery({
    queryKey: ["course", course.id],
    queryFn: () =>
      unwrap(api.GET("/api/courses/{course_id}", { params: { path: { course_id: course.id } } })),
  });
  const change = useMutation({
    mutationFn: (given: Partial<Schools>) =>
      unwrap(
        api.PATCH("/api/courses/{course_id}/schools", {
          params: { path: { course_id: course.id } },
          body: given as Schemas["PatchedSchoolsRequest"],
        }),
      ),
    // Awaited, so that the choice stands until the page knows it from the server.
    onSuccess: () => queries.invalidateQueries(),
  });
  if (read.isPending) return <Loading what="how the course teaches" />;
  if (read.isError) return <Problem error={read.error} again={() => void read.refetch()} />;
  const mine = course.role === "instructor";
  const schools = { ...read.data.schools, ...(change.isPending ? change.variables : {}) };
  return (
    <div className="mx-auto max-w-4xl">
      <h1 className="text-2xl font-bold">How this course teaches</h1>
      <p className="mb-3">
        Good hands disagree on these. Cards, checklists and ladders follow what you choose here
        {mine ? "" : "; the instructor chooses"}. Course code for newcomers:{" "}
        <strong>{read.data.join_code}</strong>.
      </p>
      <Problem error={change.error} />
      <div className="grid gap-3 md:grid-cols-2">
        {questions.map(({ key, words, options }) => (
          <fieldset key={key} className="rounded-box border border-base-300 bg-base-100 p-3">
            <legend className="px-1 font-bold">{words}</legend>
            {options.map(([value, label, why]) => (
              <label key={value} className="flex min-h-11 items-start gap-3 py-1">
                <input
                  type="radio"
                  className="radio mt-0.5"
                  name={key}
                  disabled={!mine || change.isPending}
                  checked={schools[key] === value}
                  onChange={() => {
                    change.mutate({ [key]: value });
                  }}
                />
                <span>
                  <span className="font-medium">{label}</span>
                  {why && <span className="quiet block text-sm">{why}</span>}
                </span>
              </label>
            ))}
          </fieldset>
        ))}
      </div>
    </div>
  );
}
