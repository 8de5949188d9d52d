import { useState } from 'react';

/** Whether a text is a whole number between two. */
const isCount = (text: string, least: number, most: number): boolean => {
  const value = Number(text);
  return text.trim() !== '' && Number.isInteger(value) && value >= least && value <= most;
};

/** A whole number as it is typed: each that can be is told, and what is none stays in the field, with the reason. */
export function HowMany({
  count,
  least,
  most,
  onCount,
}: {
  readonly count: number;
  readonly least: number;
  readonly most: number;
  readonly onCount: (count: number) => void;
}) {
  const [typed, setTyped] = useState<string>();
  const text = typed ?? `${count}`;
  const isGood = isCount(text, least, most);
  return (
    <>
      <input
        type="number"
        min={least}
        max={most}
        value={text}
        aria-invalid={!isGood}
        onChange={({ target }) => {
          setTyped(target.value);
          if (isCount(target.value, least, most)) onCount(Number(target.value));
        }}
        onBlur={() => {
          if (isGood) setTyped(undefined);
        }}
      />
      {!isGood && (
        <span role="alert">
          A whole number from {least} to {most}.
        </span>
      )}
    </>
  );
}
