import { Camera } from "lucide-react";

type Props = { words: string; closed: boolean; className: string; children: (photo: File) => void };

/** A button that takes a photo, or chooses one, and hands it on at once. */
export function TakePhoto({ words, closed, className, children: taken }: Props) {
  return (
    <label className={`btn focus-within:outline-3 ${className} ${closed ? "btn-disabled" : ""}`}>
      <Camera size={20} aria-hidden /> {words}
      <input
        type="file"
        className="sr-only"
        accept="image/jpeg,image/png,image/heic,.heic,.heif"
        disabled={closed}
        onChange={(e) => {
          const photo = e.target.files?.[0];
          e.target.value = "";
          if (photo) taken(photo);
        }}
      />
    </label>
  );
}
