import type { ReactNode } from 'react';
import type { Choices, LocalCode, Zone } from '@core/records/case';
import type { SwitchableLine } from '@core/prescription/prescribe-nitrogen';
import type { ZoneSeason } from '@core/season/plan/season-plan';
import { codeYearCap } from '@core/season/rules/local-codes';
import { LATE_SEASON_SCHOOLS } from '@core/season/rules/practice-schools';

import { Amount, comesAlong, DoseList, Line, type OwnAsk, OwnButton } from './line';
import { NitrogenPartsList } from './nitrogen-parts-list';
import { NitrogenWalk } from './nitrogen-walk';
import { Schools } from './practice-schools';
import { useUnits } from '../../../ui/format';
import { Said } from '../../../ui/substance';

interface NitrogenLineProps {
  zone: Zone;
  zoneSeason: ZoneSeason;
  codes: readonly LocalCode[];
  lateSeason: string | undefined;
  /** The step that is being switched and not yet stored. */
  switching: { line: string; on: boolean } | undefined;
  onSwitch: (line: SwitchableLine, on: boolean) => void;
  onAsk: (ask: OwnAsk) => void;
  year: number;
  advice?: ReactNode;
  onShare: (choice: NonNullable<Choices['coolSeason']>) => void;
}

/** The walk to the nitrogen of the year, every step switchable, and the schools of the end of the year. */
export function NitrogenLine({
  zone,
  zoneSeason,
  codes,
  lateSeason,
  switching,
  onSwitch,
  onAsk,
  year,
  advice,
  onShare,
}: NitrogenLineProps) {
  const units = useUnits();
  const { prescription, doses } = zoneSeason;
  const { nitrogen } = prescription;
  return (
    <Line
      at={2}
      name="Nitrogen"
      className="is-walk"
      own={nitrogen.own}
      verdict="For the year"
      figure={
        <>
          <Amount figure={nitrogen.year} substance="N" exact own={nitrogen.own} byRule={nitrogen.byRule} />
          <OwnButton
            ask={{
              line: 'nitrogen',
              name: 'nitrogen for the year',
              unit: units.heading('nutrient-rate', 'N'),
              quantity: 'nutrient-rate',
              rule: (nitrogen.byRule ?? nitrogen.year).value,
              own: nitrogen.own,
            }}
            onAsk={onAsk}
          />
        </>
      }
      doses={<DoseList doses={doses.filter((dose) => dose.for === 'N')} after={comesAlong(doses, 'N', 'N', units)} />}
    >
      <NitrogenWalk
        nitrogen={nitrogen}
        ceilingLb={zoneSeason.grass.ceilingLb}
        codeLb={codeYearCap(codes)}
        switching={switching}
        onSwitch={onSwitch}
      />
      <NitrogenPartsList zoneSeason={zoneSeason} year={year} onChoose={onShare} />
      {nitrogen.note && (
        <p className="small">
          <Said text={nitrogen.note} />
        </p>
      )}
      {advice}
      {zone.lastYearNitrogenLb !== undefined && (
        <p className="small">
          Last year {units.exact('nutrient-rate', zone.lastYearNitrogenLb)} {units.heading('nutrient-rate', 'N')} were
          given, by your own count; this year is reckoned anew.
        </p>
      )}
      {zoneSeason.grass.season === 'cool' && !prescription.establishment && (
        <Schools title="The end of the year, by schools" schools={LATE_SEASON_SCHOOLS} chosen={lateSeason} />
      )}
    </Line>
  );
}
