import { useQuery } from "@tanstack/react-query";
import { Download, ShieldCheck } from "lucide-react";
import { useState, type ReactNode } from "react";
import { api, unwrap, type Schemas } from "../../api/client";
import { t } from "../../catalogue";
import { trustKeys } from "../../domain/keys";
import { Loading, Problem } from "../../ui/states";
import { Picker } from "../../ui/panel";
import { Drawing } from "./drawing";

type Phone = "iphone" | "android";

const PHONES = ["iphone", "android"] as const;

/** Walks a phone through trusting the workshop's authority: its browser then opens this server without a warning. */
export function TrustPage() {
  const authority = useQuery({ queryKey: trustKeys.authority, queryFn: () => unwrap(api.GET("/api/trust")) });
  const [phone, setPhone] = useState<Phone>(/Android/.test(navigator.userAgent) ? "android" : "iphone");
  return (
    <main className="min-h-dvh bg-base-200 p-4">
      <div className="mx-auto max-w-2xl rounded-box border border-base-300 bg-base-100 p-5 sm:p-8">
        <h1 className="text-2xl font-bold">{t("trust-title")}</h1>
        <p className="mt-2">{t("trust-why")}</p>
        {authority.isPending && <Loading />}
        <Problem error={authority.error} />
        {authority.data?.secure && (
          <p role="status" className="mt-4 alert alert-success">
            <ShieldCheck aria-hidden /> {t("trust-done")}
          </p>
        )}
        {authority.data && (
          <>
            <div className="mt-5">
              <Picker
                label={t("trust-which-phone")}
                options={PHONES}
                words={(one) => t(`trust-${one}`)}
                value={phone}
                size=""
                choose={setPhone}
              />
            </div>
            <ol className="mt-5 space-y-6">
              <Step words={t(`trust-${phone}-download`)}>
                <a className="btn h-12 btn-primary" href={authority.data.file} download>
                  <Download aria-hidden className="size-5" /> {t("trust-download")}
                </a>
              </Step>
              {phone === "iphone" ? <OnIphone /> : <OnAndroid />}
              <Step words={t("trust-open")}>
                <a className="link font-semibold break-all" href={authority.data.address}>
                  {authority.data.address}
                </a>
              </Step>
            </ol>
            <Compare authority={authority.data} />
          </>
        )}
      </div>
    </main>
  );
}

function OnIphone() {
  return (
    <>
      <Step words={t("trust-iphone-install")}>
        <Drawing words={t("trust-drawn-profile")} rows={[null, t("trust-row-profile"), null, null, null]} />
      </Step>
      <Step words={t("trust-iphone-about")}>
        <Drawing
          words={t("trust-drawn-about")}
          rows={[null, null, null, null, t("trust-row-trust-settings")]}
        />
      </Step>
      <Step words={t("trust-iphone-switch")}>
        <Drawing
          words={t("trust-drawn-switch")}
          rows={[null, t("trust-row-authority"), null, null, null]}
          switched
        />
      </Step>
    </>
  );
}

function OnAndroid() {
  return (
    <>
      <Step words={t("trust-android-search")}>
        <Drawing words={t("trust-drawn-search")} rows={[t("trust-row-search"), null, null, null, null]} />
      </Step>
      <Step words={t("trust-android-ca")}>
        <Drawing words={t("trust-drawn-ca")} rows={[null, t("trust-row-ca"), null, null, null]} />
      </Step>
      <Step words={t("trust-android-file")}>
        <Drawing words={t("trust-drawn-file")} rows={[null, null, t("trust-row-file"), null, null]} />
      </Step>
    </>
  );
}

function Step({ words, children }: { words: string; children: ReactNode }) {
  return (
    <li className="ml-5 list-decimal pl-1">
      <p>{words}</p>
      <div className="mt-2">{children}</div>
    </li>
  );
}

function Compare({ authority }: { authority: Schemas["WorkshopAuthority"] }) {
  return (
    <section className="mt-8 border-t border-base-300 pt-4">
      <h2 className="text-lg font-bold">{t("trust-compare")}</h2>
      <p>{t("trust-compare-how")}</p>
      <p className="mt-2 font-mono text-sm break-words">{authority.fingerprint}</p>
      <p className="mt-4">{t("trust-take-back")}</p>
    </section>
  );
}
