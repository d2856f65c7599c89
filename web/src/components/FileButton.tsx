import { type ReactNode, useRef } from "react";
import { Button } from "./Button";

/** A button that lets a file be chosen, or several. */
export function FileButton({
  name,
  accept,
  several = false,
  quiet = false,
  disabled = false,
  take,
  children,
}: {
  /** of the file that is chosen */
  name: string;
  accept: string;
  several?: boolean;
  quiet?: boolean;
  disabled?: boolean;
  take: (files: File[]) => void;
  children: ReactNode;
}) {
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button
        {...(quiet && { variant: "quiet" })}
        disabled={disabled}
        onClick={() => chooser.current?.click()}
      >
        {children}
      </Button>
      <input
        ref={chooser}
        type="file"
        accept={accept}
        multiple={several}
        hidden
        aria-label={name}
        onChange={({ target }) => {
          const files = [...(target.files ?? [])];
          target.value = ""; // the same file may be chosen again
          if (files.length) take(files);
        }}
      />
    </>
  );
}
