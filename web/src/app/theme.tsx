import { t } from "../catalogue";
import { MoonStar, Sun } from "lucide-react";
import { useEffect, useState } from "react";

type Theme = "day" | "night";

function preferred(): Theme {
  const kept = localStorage.getItem("theme");
  if (kept === "day" || kept === "night") return kept;
  return matchMedia("(prefers-color-scheme: dark)").matches ? "night" : "day";
}

export function ThemeSwitch() {
  const [theme, setTheme] = useState<Theme>(preferred);
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  const other = theme === "day" ? "night" : "day";
  return (
    <button
      className="btn btn-square btn-ghost"
      aria-label={t(`app-switch-to-${other}`)}
      onClick={() => {
        localStorage.setItem("theme", other);
        setTheme(other);
      }}
    >
      {theme === "day" ? <MoonStar size={20} /> : <Sun size={20} />}
    </button>
  );
}
