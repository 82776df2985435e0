const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0'] as const;

/** Numbers for a gloved thumb: what is tapped goes to the end of the text. The sign before decimals is the locale's. */
export function Keypad({
  value,
  decimal,
  onChange,
}: {
  value: string;
  decimal: string;
  onChange: (text: string) => void;
}) {
  return (
    <div className="keypad" role="group" aria-label="Keypad">
      {KEYS.map((key) => {
        const sign = key === '.' ? decimal : key;
        return (
          <button
            key={key}
            type="button"
            disabled={key === '.' && value.includes(decimal)}
            onClick={() => onChange(value + sign)}
          >
            {sign}
          </button>
        );
      })}
      <button
        type="button"
        aria-label="Delete the last"
        disabled={value === ''}
        onClick={() => onChange(value.slice(0, -1))}
      >
        ←
      </button>
    </div>
  );
}
