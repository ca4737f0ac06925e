import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { api, unwrap, type Schemas } from "../../api/client";
import { CardFigures } from "../../ui/card-figures";
import { useCourse } from "../../ui/course";
import { SectionSketch } from "../../ui/section-sketch";
import { Loading, Problem } from "../../ui/states";
import { useUnits } from "../../ui/use-units";
import type { Units } from "../../ui/units";
import { couponOf, formOf, moves, type Form } from "./coupon-shape";
import { CouponFields } from "./coupon-fields";
import { usePlan } from "./use-plan";

export function BuilderPage() {
  const course = useCourse();
  const units = useUnits();
  const [params] = useSearchParams();
  const base = Number(params.get("from") ?? "0");
  const choices = useQuery({
    queryKey: ["builder-choices"],
    queryFn: () => unwrap(api.GET("/api/builder-choices")),
    staleTime: Infinity,
  });
  const designs = useQuery({
    queryKey: ["designs", course.id],
    queryFn: () =>
      unwrap(
        api.GET("/api/courses/{course_id}/designs", {
          params: { path: { course_id: course.id }, query: { page_size: 100 } },
        }),
      ),
  });
  if (choices.isPending || designs.isPending) return <Loading what="the builder" />;
  if (choices.isError || designs.isError)
    return (
      <Problem
        error={choices.error ?? designs.error}
        again={() => {
          void choices.refetch();
          void designs.refetch();
        }}
      />
    );
  const from = designs.data.results.find((d) => d.id === base) ?? null;
  return <Builder key={`${String(base)}${units.length}`} choices={choices.data} from={from} units={units} />;
}

const fresh: Form = {
  metal: "304L",
  joint: "tee",
  thickness_mm: "",
  position: "flat",
  technique: "dab",
  finish: "warm",
};

function Builder({
  choices,
  from,
  units,
}: {
  choices: Schemas["BuilderChoices"];
  from: Schemas["Design"] | null;
  units: Units;
}) {
  const course = useCourse();
  const [form, setForm] = useState<Form>(() =>
    from ? formOf(from, units) : { ...fresh, thickness_mm: units.length === "mm" ? "2" : "79" },
  );
  const coupon = couponOf(form, units);
  const { card, before, error } = usePlan(course.id, coupon);
  const moved = card ? moves(before, card) : [];
  return (
    <>
      <div className="mb-3 flex flex-wrap items-baseline gap-3">
        <h1 className="text-2xl font-bold">{from ? `From “${from.title}”` : "Build a coupon"}</h1>
        <Link className="link text-sm" to={`/course/${String(course.id)}/assign`}>
          Coupon library
        </Link>
      </div>
      <div className="grid gap-4 lg:grid-cols-[22rem_minmax(0,1fr)]">
        <div className="h-fit space-y-3 rounded-box border border-base-300 bg-base-100 p-3">
          <CouponFields
            choices={choices}
            form={form}
            units={units}
            change={(key, value) => {
              setForm({ ...form, [key]: value });
            }}
          />
          <Keep coupon={coupon} from={from} ready={card !== undefined && error === null} />
        </div>
        <section
          className="min-w-0 rounded-box border border-base-300 bg-base-100 p-3"
          aria-label="Setup card, live"
        >
          {error && <Problem error={error} />}
          {card && (
            <>
              <div className="grid items-center gap-3 xl:grid-cols-[minmax(0,1fr)_16rem]">
                <SectionSketch
                  input={{
                    joint: form.joint ?? "butt",
                    thickness_mm: Number(coupon.thickness_mm) || 1.6,
                    second_thickness_mm: Number(coupon.second_thickness_mm) || null,
                    width_mm: card.bead.width_mm.aim,
                    work_deg: card.angles_deg.work,
                    cup: card.cup.number,
                    stickout_mm: card.stickout_mm.aim,
                    electrode_mm: card.electrode.diameter_mm,
                  }}
                  travel_deg={card.angles_deg.travel}
                  filler_deg={card.angles_deg.filler}
                  fused={card.filler === null}
                />
                <div className="text-sm" aria-live="polite">
                  <h2 className="font-bold">What moved</h2>
                  {moved.length === 0 ? (
                    <p className="quiet">Nothing yet; change a field.</p>
                  ) : (
                    <ul>
                      {moved.map((m) => (
                        <li key={m.words}>
                          {m.words}: {m.from} → <strong>{m.to}</strong>
                        </li>
                      ))}
                    </ul>
                  )}
                  <h2 className="mt-2 font-bold">Why {card.current_a.aim.toFixed(0)} A</h2>
                  <p>
                    {card.current_a.rule};{" "}
                    {card.current_a.because.map((b) => b.replaceAll("_", " ")).join(", ")}.
                  </p>
                  <ul className="list-disc pl-4">
                    {card.opinions.map((o) => (
                      <li key={o.rule}>
                        {o.rule}: {o.current_a.toFixed(0)} A
                      </li>
                    ))}
                  </ul>
                </div>
              </div>
              {card.warnings.map((w) => (
                <p
                  key={w.code}
                  role="note"
                  className={`mt-2 rounded-box p-2 ${w.severity === "stop" ? "border-2 border-error font-semibold text-error" : "bg-warning text-warning-content"}`}
                >
                  {w.message}
                </p>
              ))}
              <CardFigures card={card} units={units} moved={moved.map((m) => m.words)} />
              <p className="mt-2 text-sm">
                Heat {card.heat_kj_mm.arc.toFixed(2)} kJ/mm at the arc, {card.heat_kj_mm.net.toFixed(2)}{" "}
                reaches the work (efficiency 0.6). Gas for a run of 100 mm: {card.gas_l_per_run.toFixed(0)} L;
                Reynolds number {card.reynolds.toFixed(0)}.
              </p>
            </>
          )}
        </section>
      </div>
    </>
  );
}

function Keep({
  coupon,
  from,
  ready,
}: {
  coupon: Record<string, unknown>;
  from: Schemas["Design"] | null;
  ready: boolean;
}) {
  const course = useCourse();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [title, setTitle] = useState(from?.title ?? "");
  const [purpose, setPurpose] = useState(from?.purpose ?? "");
  const keep = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST("/api/courses/{course_id}/designs", {
          params: { path: { course_id: course.id } },
          body: {
            coupon,
            title,
            purpose,
            usual_faults: from?.usual_faults ?? "",
            length_mm: from?.length_mm ?? 90,
            base: from?.id ?? null,
          },
        }),
      ),
    onSuccess: async (design) => {
      await queries.invalidateQueries({ queryKey: ["designs"] });
      await navigate(`/course/${String(course.id)}/assign?give=${String(design.id)}`);
    },
  });
  return (
    <form
      className="space-y-2 border-t border-base-300 pt-3"
      onSubmit={(e) => {
        e.preventDefault();
        keep.mutate();
      }}
    >
      <label className="block text-sm">
        <span className="mb-0.5 block font-medium">Called</span>
        <input
          className="input h-9 w-full input-sm"
          maxLength={80}
          required
          value={title}
          onChange={(e) => {
            setTitle(e.target.value);
          }}
        />
      </label>
      <label className="block text-sm">
        <span className="mb-0.5 block font-medium">What it is for</span>
        <textarea
          className="textarea w-full textarea-sm"
          rows={2}
          maxLength={300}
          value={purpose}
          onChange={(e) => {
            setPurpose(e.target.value);
          }}
        />
      </label>
      <p className="quiet text-sm">
        {from?.course
          ? `Kept as version ${String((from.version ?? 1) + 1)}; what is already given out stays as it was.`
          : "Kept as a coupon of this course."}
      </p>
      <Problem error={keep.error} />
      <button className="btn w-full btn-primary" disabled={!ready || keep.isPending}>
        {keep.isPending ? "Keeping …" : "Keep it and give it"}
      </button>
    </form>
  );
}
