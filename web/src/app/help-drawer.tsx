import { X } from "lucide-react";
import { useEffect, useRef, useState, type ReactNode } from "react";
import Markdown from "react-markdown";
import { t } from "../catalogue";
import { TextField } from "../ui/field";
import { anchorOf, CONTENTS, drawingOf, found, pages } from "./help-pages";

type Props = { place: string; close: () => void; open: (place: string) => void };

/** A page of help beside the screen it is about, with a search over all pages. */
export function HelpDrawer({ place, close, open }: Props) {
  const [wanted, setWanted] = useState("");
  const box = useRef<HTMLElement>(null);
  const [page = CONTENTS, anchor] = place.split("#");
  useEffect(() => {
    const at = anchor === undefined ? null : box.current?.querySelector<HTMLElement>(`#help-${anchor}`);
    if (box.current) box.current.scrollTop = at?.offsetTop ?? 0;
  }, [page, anchor]);
  const go = (next: string) => {
    setWanted("");
    open(next);
  };
  return (
    <aside
      ref={box}
      aria-label={t("app-help")}
      className={
        "fixed inset-y-0 right-0 z-30 w-full overflow-y-auto border-l border-base-300 bg-base-100 p-4 " +
        "shadow-xl sm:w-96"
      }
      onKeyDown={(e) => e.key === "Escape" && close()}
    >
      <div className="mb-3 flex items-end gap-2">
        <div className="grow">
          <TextField label={t("app-search-help")} value={wanted} onChange={setWanted} autoFocus />
        </div>
        <button className="btn btn-square btn-ghost" aria-label={t("app-close-help")} onClick={close}>
          <X size={18} aria-hidden />
        </button>
      </div>
      {wanted.trim() === "" ? (
        <Page text={pages[page] ?? ""} open={go} />
      ) : (
        <Results wanted={wanted} open={go} />
      )}
      {page !== CONTENTS && wanted === "" && (
        <button className="mt-4 link" onClick={() => go(CONTENTS)}>
          {t("app-open-all-help-pages")}
        </button>
      )}
    </aside>
  );
}

function Results({ wanted, open }: { wanted: string; open: (place: string) => void }) {
  const results = found(wanted);
  if (results.length === 0) return <p role="status">{t("app-nothing-found-try-another-word")}</p>;
  return (
    <ul className="space-y-2" role="status">
      {results.map((one) => (
        <li key={`${one.page}#${one.anchor}`}>
          <button className="text-left" onClick={() => open(`${one.page}#${one.anchor}`)}>
            <span className="block link font-semibold">{one.title}</span>
            <span className="text-sm">{one.line}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

const textOf = (children: ReactNode): string =>
  Array.isArray(children) ? children.join("") : String(children);

function Page({ text, open }: { text: string; open: (place: string) => void }) {
  return (
    <div className="space-y-2 [&_li]:mb-1 [&_ol]:list-decimal [&_ol]:pl-5 [&_ul]:list-disc [&_ul]:pl-5">
      <Markdown
        components={{
          h1: ({ children }) => <h2 className="text-xl font-bold">{children}</h2>,
          h2: ({ children }) => (
            <h3 id={`help-${anchorOf(textOf(children))}`} className="pt-3 text-lg font-bold">
              {children}
            </h3>
          ),
          h3: ({ children }) => (
            <h4 id={`help-${anchorOf(textOf(children))}`} className="pt-2 font-bold">
              {children}
            </h4>
          ),
          img: ({ src, alt }) => (
            <img src={drawingOf(String(src))} alt={alt ?? ""} className="w-full rounded-box" />
          ),
          a: ({ href, children }) => (
            <button className="link" onClick={() => open(String(href).replace(/\.md/, ""))}>
              {children}
            </button>
          ),
        }}
      >
        {text}
      </Markdown>
    </div>
  );
}
