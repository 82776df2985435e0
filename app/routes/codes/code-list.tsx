import { Button } from 'antd';
import type { ReactNode } from 'react';
import { codeReview } from '@core/codes/code-review';
import type { LocalCode } from '@core/records/case';
import { WarnGlyph } from '../../ui/glyphs';

export const codeName = (code: LocalCode): string => code.name ?? code.id;

interface CodeListProps {
  own: readonly LocalCode[];
  /** Codes of packs, by the pack's name. */
  packs: readonly (readonly [pack: string, codes: readonly LocalCode[]])[];
  opened: string | undefined;
  today: string;
  onOpen: (id: string) => void;
  onNew: () => void;
  /** Import and export. */
  files: ReactNode;
}

/** The codes there are: own ones, which can be edited, and those of packs, which can be copied. */
export function CodeList({ own, packs, opened, today, onOpen, onNew, files }: CodeListProps) {
  const all = new Map([...packs.flatMap(([, codes]) => codes), ...own].map((code) => [code.id, code]));
  const item = (code: LocalCode, beside?: string) => (
    <li key={code.id}>
      <button type="button" aria-current={code.id === opened ? 'true' : undefined} onClick={() => onOpen(code.id)}>
        <b>{codeName(code)}</b>
        {beside && <span>{beside}</span>}
      </button>
    </li>
  );
  return (
    <nav className="codelist" aria-label="Local codes">
      <h2>Own</h2>
      {own.length === 0 && (
        <p className="small">None yet. Copy one that ships, or write one from your authority’s own words.</p>
      )}
      <ul>
        {own.map((code) => {
          const from = code.copyOf === undefined ? undefined : all.get(code.copyOf);
          const due = codeReview(code, today).state !== 'fresh';
          return (
            <li key={code.id}>
              <button
                type="button"
                aria-current={code.id === opened ? 'true' : undefined}
                onClick={() => onOpen(code.id)}
              >
                <b>
                  {due && <WarnGlyph />} {codeName(code)}
                </b>
                {from && <span>from {codeName(from)}</span>}
              </button>
            </li>
          );
        })}
      </ul>
      <p className="links">
        <Button size="small" onClick={onNew}>
          New code
        </Button>
        {files}
      </p>
      {packs.map(([pack, codes]) => (
        <section key={pack}>
          <h2>{pack}</h2>
          <ul>{codes.map((code) => item(code))}</ul>
        </section>
      ))}
      <p className="small">What ships are short readings, from memory. A copy starts unchecked.</p>
    </nav>
  );
}
