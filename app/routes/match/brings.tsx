import type { MatchAnswer } from '@core/products/match/match';
import { limeGivenLb, type MatchContext, type Need } from '@core/products/match/need';
import type { Product } from '@core/records/case';
import { type Units, useUnits } from '../../ui/format';

const WIDTH = 164;
const HEIGHT = 56;
const CENTRE = 74;
/** Length of a whole need, px; farther is broken off. */
const WHOLE = 40;

interface Lane {
  word: string;
  /** Share of the zone's need for it; beyond 1 the line is broken. */
  share: number;
  wanted: boolean;
  says: string;
  sign: 'diamond' | 'blunt' | 'square';
}

function lanesOf(
  answer: MatchAnswer,
  need: Need,
  context: MatchContext,
  products: readonly Product[],
  units: Units,
): (Lane | { met: string } | undefined)[] {
  const { brings, off, limeUndoneLb } = answer;
  const { prescription } = context;
  const potash = brings.K2O ?? 0;
  const offK = off.K2O;
  const potashLane = (): Lane | { met: string } | undefined => {
    if (offK !== undefined) {
      if (Math.abs(offK) < 0.015) return { met: 'K₂O met' };
      return {
        word: 'K2O',
        share: Math.abs(offK) / (need.K2O as number),
        wanted: false,
        says: `${units.rate(Math.abs(offK))} ${offK < 0 ? 'short' : 'over'}`,
        sign: 'diamond',
      };
    }
    if (potash < 0.005) return undefined;
    const year = prescription.potassium.yearLb;
    return {
      word: 'K2O',
      share: year > 0 ? potash / year : 2,
      wanted: year > 0,
      says: units.rate(potash),
      sign: 'diamond',
    };
  };
  const sulfur = brings['S-combined'] ?? 0;
  const sulfurYear = prescription.sulfur.yearLb;
  const lime = limeGivenLb(prescription, products);
  return [
    potashLane(),
    sulfur < 0.005
      ? undefined
      : {
          word: 'S',
          share: sulfurYear > 0 ? sulfur / sulfurYear : 0.5,
          wanted: sulfurYear > 0,
          says: units.rate(sulfur),
          sign: 'blunt',
        },
    Math.abs(limeUndoneLb) < 0.05
      ? undefined
      : {
          word: 'lime',
          share: lime > 0 ? limeUndoneLb / lime : 0.2,
          wanted: prescription.ph.action === 'sulfur',
          says: units.show('material-rate', limeUndoneLb),
          sign: 'square',
        },
  ];
}

function Sign({ sign, x, y, filled }: { sign: Lane['sign']; x: number; y: number; filled: boolean }) {
  const ink = { fill: filled ? 'var(--loam)' : 'var(--paper)', stroke: 'var(--loam)', strokeWidth: 1.3 };
  if (sign === 'diamond') return <path d={`M${x} ${y - 5}L${x + 5} ${y}L${x} ${y + 5}L${x - 5} ${y}Z`} {...ink} />;
  if (sign === 'square') return <rect x={x - 4} y={y - 4} width="8" height="8" {...ink} />;
  return <path d={`M${x - 6} ${y - 4}H${x + 6}L${x + 2.4} ${y + 4.5}H${x - 2.4}Z`} {...ink} />;
}

/** What comes along: right and filled is wanted, left and open is not. Distance is the share of the zone's need. */
export function Brings({
  answer,
  need,
  context,
  products,
}: {
  answer: MatchAnswer;
  need: Need;
  context: MatchContext;
  products: readonly Product[];
}) {
  const lanes = lanesOf(answer, need, context, products, useUnits());
  const words = lanes.flatMap((lane) =>
    lane === undefined
      ? []
      : 'met' in lane
        ? [lane.met]
        : [`${lane.word} ${lane.says}, ${lane.wanted ? 'wanted' : 'unwanted'}`],
  );
  return (
    <svg
      width={WIDTH}
      height={HEIGHT}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={words.length > 0 ? `brings ${words.join('; ')}` : 'brings nothing else'}
    >
      {[-1, 1].map((side) => (
        <path key={side} d={`M${CENTRE + side * WHOLE} 0V${HEIGHT}`} stroke="var(--rule)" />
      ))}
      <path d={`M${CENTRE} 0V${HEIGHT}`} stroke="var(--loam)" strokeWidth="1.3" />
      {lanes.map((lane, i) => {
        const y = 11 + i * 17;
        if (lane === undefined) return null;
        if ('met' in lane)
          return (
            <g key={i}>
              <path d={`M${CENTRE - 5} ${y}H${CENTRE + 5}`} stroke="var(--loam)" strokeWidth="1.6" />
              <text x={CENTRE + 10} y={y + 4} style={{ fontSize: 12, fill: 'var(--loam-3)' }}>
                {lane.met}
              </text>
            </g>
          );
        const side = lane.wanted ? 1 : -1;
        const broken = lane.share > 1;
        const x = CENTRE + side * Math.max(8, Math.min(1, lane.share) * WHOLE);
        return (
          <g key={i}>
            <path d={`M${CENTRE} ${y}H${x}`} stroke="var(--loam)" strokeWidth="1.2" />
            {broken && (
              <path
                d={`M${x - side * 13} ${y - 4}l-3 8M${x - side * 10} ${y - 4}l-3 8`}
                stroke="var(--paper)"
                strokeWidth="2"
              />
            )}
            <Sign sign={lane.sign} x={x} y={y} filled={lane.wanted} />
            <text x={x + side * 9} y={y + 4} textAnchor={lane.wanted ? 'start' : 'end'} style={{ fontSize: 12 }}>
              {lane.says}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
