const keys: [string[], string][] = [
  [["↑", "↓"], "line"],
  [["←", "→"], "half a point"],
  [["x"], "does not apply"],
  [["a"], "as suggested"],
  [["w"], "write"],
  [["s"], "save"],
  [["Enter"], "save, return and go on"],
  [["n"], "next"],
];

export function KeysHelp() {
  return (
    <p className="quiet text-xs">
      Keys:{" "}
      {keys.map(([names, does], i) => (
        <span key={does}>
          {i > 0 && ", "}
          {names.map((name) => (
            <kbd key={name} className="mr-1 kbd kbd-sm">
              {name}
            </kbd>
          ))}
          {does}
        </span>
      ))}
    </p>
  );
}
