const keys: [string[], string][] = [
  [["Enter"], "save, return, open next"],
  [["1", "2", "3"], "confirm a cause"],
  [["↑", "↓"], "line"],
  [["←", "→"], "half a point"],
  [["x"], "not applicable"],
  [["a"], "as suggested"],
  [["w"], "write"],
  [["c"], "phrases"],
  [["p"], "photo"],
  [["f"], "manual checks"],
  [["l"], "log and more"],
  [["b"], "another photo"],
  [["g"], "weld again"],
  [["s"], "save"],
  [["n"], "next"],
  [["u"], "undo"],
];

export function KeysHelp() {
  return (
    <details className="quiet text-xs">
      <summary className="cursor-pointer">Keys</summary>
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
