import { CircleHelp } from "lucide-react";
import { lazy, Suspense, useEffect } from "react";
import { useLocation } from "react-router";
import { t } from "../catalogue";
import { HERE, helpPlace, helpStands } from "../ui/help-place";
import { useStored } from "../ui/store";
import { pageOf } from "./help-places";

const Drawer = lazy(async () => ({ default: (await import("./help-drawer")).HelpDrawer }));

/** “?” in the head, and its key: a short page of help beside every screen. */
export function Help({ student }: { student: boolean }) {
  const { pathname } = useLocation();
  const place = useStored(helpPlace);
  const here = pageOf(pathname, student);
  useEffect(() => {
    helpStands.set(true);
    return () => helpStands.set(false);
  }, []);
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      const tag = (event.target as { tagName?: string } | null)?.tagName ?? "";
      if (event.key !== "?" || ["INPUT", "TEXTAREA", "SELECT"].includes(tag)) return;
      helpPlace.set(helpPlace.get() === null ? HERE : null);
    };
    window.addEventListener("keydown", pressed);
    return () => window.removeEventListener("keydown", pressed);
  }, []);
  return (
    <>
      <button
        className="btn btn-ghost px-2"
        aria-label={t("app-help")}
        aria-expanded={place !== null}
        title={t("app-help")}
        onClick={() => helpPlace.set(place === null ? HERE : null)}
      >
        <CircleHelp size={18} aria-hidden />
      </button>
      {place !== null && (
        <Suspense>
          <Drawer
            place={place === HERE ? here : place}
            close={() => helpPlace.set(null)}
            open={(one) => helpPlace.set(one)}
          />
        </Suspense>
      )}
    </>
  );
}
