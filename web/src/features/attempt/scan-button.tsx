import { t } from "../../catalogue";
import { QrCode } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { Problem } from "../../ui/states";

const LOOK_MS = 250;
const WIDE_PX = 640;

/** Opens the camera to read the code of a booth, a job sheet or a blank, and goes where it leads. */
export function ScanButton() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button className="btn h-14 w-full btn-outline text-lg" onClick={() => setOpen(true)}>
        <QrCode size={22} aria-hidden /> {t("attempt-scan-code")}
      </button>
      {open && <Scanner close={() => setOpen(false)} />}
    </>
  );
}

function Scanner({ close }: { close: () => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const navigate = useNavigate();
  const [error, setError] = useState<Error | null>(null);
  const [strange, setStrange] = useState(false);
  useEffect(() => {
    let camera: MediaStream | null = null;
    let timer: ReturnType<typeof setInterval> | undefined;
    let gone = false;
    const look = async () => {
      const seen = video.current;
      if (!seen || seen.videoWidth === 0) return;
      const { codeIn, pathIn } = await import("./scan");
      const canvas = document.createElement("canvas");
      canvas.width = WIDE_PX;
      canvas.height = Math.round((WIDE_PX * seen.videoHeight) / seen.videoWidth);
      const drawn = canvas.getContext("2d", { willReadFrequently: true });
      if (!drawn || gone) return;
      drawn.drawImage(seen, 0, 0, canvas.width, canvas.height);
      const text = codeIn(drawn.getImageData(0, 0, canvas.width, canvas.height));
      const path = text === null ? null : pathIn(text);
      setStrange(text !== null && path === null);
      if (path !== null && !gone) {
        gone = true;
        void navigate(path);
      }
    };
    const begin = async () => {
      camera = await navigator.mediaDevices.getUserMedia({ video: { facingMode: "environment" } });
      if (gone || !video.current) return;
      video.current.srcObject = camera;
      await video.current.play();
      timer = setInterval(() => void look(), LOOK_MS);
    };
    begin().catch(() => setError(new Error(t("attempt-no-camera"))));
    return () => {
      gone = true;
      clearInterval(timer);
      camera?.getTracks().forEach((track) => track.stop());
    };
  }, [navigate]);
  return (
    <section aria-label={t("attempt-scan-code")} className="rounded-box bg-base-100 p-3">
      {error ? (
        <Problem error={error} />
      ) : (
        <video ref={video} muted playsInline className="w-full rounded-box bg-neutral" />
      )}
      <p role="status" className="my-2">
        {strange ? t("attempt-code-not-ours") : t("attempt-hold-the-code")}
      </p>
      <button className="btn h-14 w-full" onClick={close}>
        {t("common-close")}
      </button>
    </section>
  );
}
