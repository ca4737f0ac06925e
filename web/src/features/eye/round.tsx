import { useState } from "react";
import type { Schemas } from "../../api/client";
import { t } from "../../catalogue";
import { FigureList } from "../../ui/figure-list";
import { Panel } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import { useAnswer, useRound } from "./queries";

type Question = Schemas["EyeQuestion"];
type Part = "symptom" | "cause" | "change";
type Chosen = Record<Part, string | null>;
const CHOICE =
  "flex min-h-11 items-center gap-2 rounded-field border border-base-300 px-3 py-1 " +
  "has-checked:border-primary has-checked:bg-base-200";
const NOTHING: Chosen = { symptom: null, cause: null, change: null };

/** A round from its next bead to its result. */
export function Round({ id, again, leave }: { id: number; again: () => void; leave: () => void }) {
  const read = useRound(id);
  const [seen, setSeen] = useState<number | null>(null);
  if (read.isPending) return <Loading />;
  if (read.isError) return <Problem error={read.error} again={() => void read.refetch()} />;
  const round = read.data;
  const answered = round.questions.filter((one) => one.given !== null).length;
  // An answered bead stays in sight until the next one is asked for.
  const number = seen ?? answered + 1;
  const question = round.questions[number - 1];
  if (!question) return <Result round={round} again={again} leave={leave} />;
  return (
    <Panel className="space-y-3">
      <p className="flex flex-wrap justify-between gap-2">
        <strong>{t("eye-bead", { number, count: round.questions.length })}</strong>
        <span>
          {t("eye-level", { level: round.level })} ·{" "}
          {t("eye-points", { points: round.score, most: round.most })}
        </span>
      </p>
      <Bead
        key={number}
        round={round}
        question={question}
        keep={() => setSeen(number)}
        next={() => setSeen(null)}
      />
    </Panel>
  );
}

type BeadProps = { round: Schemas["EyeRound"]; question: Question; keep: () => void; next: () => void };

function Bead({ round, question, keep, next }: BeadProps) {
  const [chosen, setChosen] = useState<Chosen>(NOTHING);
  const picture = `/api/eye/rounds/${String(round.id)}/beads/${String(question.number)}`;
  const answer = useAnswer(round.id);
  const { symptom, cause, change } = chosen;
  const { given } = question;
  const ready = symptom !== null && cause !== null && change !== null && !answer.isPending && question.drawn;
  const check = () => {
    if (!ready) return;
    keep();
    answer.mutate({ number: question.number, symptom, cause, change });
  };
  const choices = (part: Part, words: string, options: Question["causes"]) => (
    <Choices
      {...{ part, words, options }}
      chosen={given ? given[part] : chosen[part]}
      right={given ? (given.right[part] ?? false) : null}
      choose={(code) => setChosen({ ...chosen, [part]: code })}
    />
  );
  return (
    <div className="grid gap-4 lg:grid-cols-2">
      <div className="space-y-3">
        {question.drawn || given ? (
          <img
            className="w-full rounded-field"
            src={picture}
            alt={t("eye-picture", { coupon: question.coupon })}
          />
        ) : (
          <p role="status" className="grid aspect-4/3 place-items-center rounded-field bg-base-200">
            {t("eye-drawing")}
          </p>
        )}
        <Log question={question} />
      </div>
      <div className="space-y-3">
        {choices("symptom", t("eye-what"), question.symptoms)}
        {choices("cause", t("eye-why"), question.causes)}
        {choices("change", t("eye-change"), question.changes)}
        <Problem error={answer.error} />
        {given ? (
          <Told given={given} last={question.number === round.questions.length} next={next} />
        ) : (
          <button className="btn h-14 w-full text-lg btn-primary" disabled={!ready} onClick={check}>
            {t("eye-answer")}
          </button>
        )}
      </div>
    </div>
  );
}

function Log({ question }: { question: Question }) {
  return (
    <>
      {question.log.length > 0 && (
        <section aria-label={t("eye-logged")}>
          <h2 className="text-sm font-bold">{t("eye-logged")}</h2>
          <FigureList rows={question.log.map(([name = "", figure = ""]) => [name, figure])} />
        </section>
      )}
      {question.noticed.length > 0 && (
        <section aria-label={t("eye-noticed")} className="text-sm">
          <h2 className="font-bold">{t("eye-noticed")}</h2>
          <ul className="list-inside list-disc">
            {question.noticed.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

type ChoicesProps = {
  part: Part;
  words: string;
  options: Question["causes"];
  chosen: string | null;
  /** Whether what was answered is right; null: not answered yet. */
  right: boolean | null;
  choose: (code: string) => void;
};

function Choices({ part, words, options, chosen, right, choose }: ChoicesProps) {
  return (
    <fieldset disabled={right !== null}>
      <legend className="mb-1 font-bold">
        {words}
        {right !== null && (
          <span className={right ? "text-success" : "text-error"}>
            {" "}
            {right ? t("eye-right") : t("eye-wrong")}
          </span>
        )}
      </legend>
      <div className="space-y-1">
        {options.map((one) => (
          <label key={one.code} className={CHOICE}>
            <input
              type="radio"
              className="radio radio-sm"
              name={part}
              checked={one.code === chosen}
              onChange={() => choose(one.code)}
            />
            {one.words}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

type ToldProps = { given: Schemas["EyeGiven"]; last: boolean; next: () => void };

/** What it was, and on to the next. */
function Told({ given, last, next }: ToldProps) {
  return (
    <div role="status" className="space-y-2">
      <p>
        <strong>{t("eye-it-was")}</strong> {given.seen} · {given.why}
      </p>
      <p className="rounded-box bg-accent p-3 text-accent-content">{given.advice}</p>
      <button className="btn h-14 w-full text-lg btn-primary" onClick={next}>
        {last ? t("eye-see-result") : t("eye-next")}
      </button>
    </div>
  );
}

type ResultProps = { round: Schemas["EyeRound"]; again: () => void; leave: () => void };

function Result({ round, again, leave }: ResultProps) {
  return (
    <Panel className="space-y-3">
      <h2 className="text-xl font-bold">{t("eye-finished", { score: round.score, most: round.most })}</h2>
      <ol className="space-y-1">
        {round.questions.map(({ number, given }) => (
          <li key={number} className="flex gap-3">
            <span className="w-8 shrink-0 text-right font-bold">{given?.points}</span>
            <span>
              {given?.seen} · {given?.why}
            </span>
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap gap-2">
        <button className="btn h-14 btn-primary" onClick={again}>
          {t("eye-start")}
        </button>
        <button className="btn h-14" onClick={leave}>
          {t("common-close")}
        </button>
      </div>
    </Panel>
  );
}
