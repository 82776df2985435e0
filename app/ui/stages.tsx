import { useEffect, useRef } from 'react';
import { NavLink, useLocation } from 'react-router';
import { StageGlyph } from './glyphs';

export interface Stage {
  key: number;
  to: string;
  name: string;
  state: 'empty' | 'under-way' | 'done' | 'attention';
  /** A fact, never just the state. */
  fact: string;
}

/** The stages of work, in order. Never locked: the page says what is missing. */
export function Stages({ stages, hash }: { stages: readonly Stage[]; hash: string }) {
  const row = useRef<HTMLOListElement>(null);
  const { pathname } = useLocation();
  // on a phone the row pans: the current stage comes as near its middle as the ends allow
  useEffect(() => {
    const [all, current] = [row.current, row.current?.querySelector('[aria-current]')?.closest('li')];
    if (all && current) all.scrollLeft = current.offsetLeft - (all.clientWidth - current.offsetWidth) / 2;
  }, [pathname]);
  return (
    <nav className="stages" aria-label="Stages of work">
      <ol ref={row} style={{ gridTemplateColumns: `repeat(${stages.length}, minmax(0, 1fr))` }}>
        {stages.map((stage) => (
          <li key={stage.key} className={`is-${stage.state}`}>
            <NavLink to={{ pathname: stage.to, hash }} prefetch="none">
              <span className="kbd" aria-hidden="true">
                {stage.key}
              </span>
              <b>{stage.name}</b>
              <span className="state">
                <StageGlyph state={stage.state} />
                {stage.fact}
              </span>
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  );
}
