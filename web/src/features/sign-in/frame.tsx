import { t } from "../../catalogue";
import type { ReactNode } from "react";

export function Frame({ title, children }: { title: string; children: ReactNode }) {
  return (
    <main className="grid min-h-dvh place-items-center bg-base-200 p-4">
      <div className="w-full max-w-md rounded-box border border-base-300 bg-base-100 p-6 sm:p-8">
        <div className="mb-6 flex items-center gap-3">
          <img src="/mark.svg" alt="" className="size-10" />
          <div>
            <p className="text-lg leading-tight font-bold">{t("common-judicum")}</p>
            <p className="quiet text-sm">{t("sign-in-beads-measured-and-marked")}</p>
          </div>
        </div>
        <h1 className="mb-4 text-2xl font-bold">{title}</h1>
        {children}
      </div>
    </main>
  );
}

export function Field({
  id,
  label,
  type = "text",
  value,
  autoComplete,
  onChange,
}: {
  id: string;
  label: string;
  type?: string;
  value: string;
  autoComplete: string;
  onChange: (v: string) => void;
}) {
  return (
    <div className="mb-4">
      <label htmlFor={id} className="mb-1 block font-medium">
        {label}
      </label>
      <input
        id={id}
        type={type}
        className="input h-12 w-full"
        value={value}
        autoComplete={autoComplete}
        required
        onChange={(e) => onChange(e.target.value)}
      />
    </div>
  );
}
