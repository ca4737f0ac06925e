import { t } from "../../catalogue";
import { useStudents } from "../../domain/use-members";

type Props = { some: number[] | null; choose: (some: number[] | null) => void };

/** The whole class, or some of it. */
export function Who({ some, choose }: Props) {
  const students = useStudents();
  const turn = (id: number) =>
    choose(some?.includes(id) ? some.filter((i) => i !== id) : [...(some ?? []), id]);
  return (
    <fieldset>
      <legend className="mb-1 font-medium">{t("common-students")}</legend>
      {[
        { words: t("assign-whole-class"), on: some === null, value: null },
        { words: t("assign-some-students"), on: some !== null, value: [] },
      ].map(({ words, on, value }) => (
        <label key={words} className="flex items-center gap-2 py-1">
          <input type="radio" className="radio" name="who" checked={on} onChange={() => choose(value)} />{" "}
          {words}
        </label>
      ))}
      {some !== null && (
        <ul className="ml-6 max-h-52 overflow-y-auto">
          {(students.data ?? []).map((user) => (
            <li key={user.id}>
              <label className="flex items-center gap-2 py-1">
                <input
                  type="checkbox"
                  className="checkbox"
                  checked={some.includes(user.id)}
                  onChange={() => turn(user.id)}
                />{" "}
                {user.display_name}
              </label>
            </li>
          ))}
        </ul>
      )}
    </fieldset>
  );
}
