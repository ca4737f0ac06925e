import { t } from "../../catalogue";
const keys: [string[], string][] = [
  [["Enter"], t("marking-save-return-open-next")],
  [["1", "2", "3"], t("marking-confirm-a-cause")],
  [["↑", "↓"], t("marking-key-line")],
  [["←", "→"], t("marking-half-a-point")],
  [["d"], t("marking-key-both")],
  [["x"], t("marking-not-applicable")],
  [["a"], t("marking-as-suggested")],
  [["w"], t("marking-key-write")],
  [["c"], t("marking-key-phrases")],
  [["p"], t("marking-key-photo")],
  [["f"], t("marking-manual-checks-2")],
  [["l"], t("marking-log-and-more")],
  [["b"], t("marking-another-photo")],
  [["g"], t("marking-weld-again-2")],
  [["s"], t("marking-key-save")],
  [["n"], t("marking-key-next")],
  [["u"], t("marking-key-undo")],
];

export function KeysHelp() {
  return (
    <details className="quiet text-xs">
      <summary className="cursor-pointer">{t("marking-keys")}</summary>
      <p>
        {keys.map(([names, does], i) => (
          <span key={does}>
            {i > 0 && ", "}
            {names.map((name) => (
              <kbd key={name} className="mr-1 kbd kbd-xs">
                {name}
              </kbd>
            ))}
            {does}
          </span>
        ))}
      </p>
    </details>
  );
}
