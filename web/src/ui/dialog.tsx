import { t } from "../catalogue";
import { X } from "lucide-react";
import { useEffect, useRef, type ReactNode } from "react";

/** Something laid over the page until it is closed: Escape, the cross, or a click beside it. */
export function Dialog({
  title,
  close,
  wide = false,
  children,
}: {
  title: string;
  close: () => void;
  wide?: boolean;
  children: ReactNode;
}) {
  const box = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const dialog = box.current;
    // jsdom has no modal dialogs.
    if (dialog && typeof dialog.showModal === "function" && !dialog.open) dialog.showModal();
    else dialog?.setAttribute("open", "");
  }, []);
  return (
    <dialog ref={box} className="modal" aria-label={title} onClose={close} onCancel={close}>
      <div className={`modal-box ${wide ? "w-[min(96vw,90rem)] max-w-none" : "max-w-xl"}`}>
        <div className="mb-3 flex items-start justify-between gap-3">
          <h2 className="text-lg font-bold">{title}</h2>
          <button className="btn btn-square btn-ghost btn-sm" aria-label={t("common-close")} onClick={close}>
            <X size={18} aria-hidden />
          </button>
        </div>
        {children}
      </div>
      <form method="dialog" className="modal-backdrop">
        <button aria-label={t("common-close")} tabIndex={-1}>
          {t("common-close")}
        </button>
      </form>
    </dialog>
  );
}
