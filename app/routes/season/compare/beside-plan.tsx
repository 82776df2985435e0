import { useMemo } from 'react';
import { careTasks, type Effort } from '@core/care/tasks';
import type { Plan, PlanAim, PlannedDose, Zone } from '@core/records/case';
import { asidePlans } from '@core/season/plan/current-plan';
import { lastYearsDoses } from '@core/season/edit/last-years-doses';
import { cautionsUnder } from '@core/season/rules/cautions';
import type { SeasonPlan, ZoneSeason } from '@core/season/plan/season-plan';
import { weeklyLightDoses } from '@core/season/edit/weekly-light-doses';
import { useDone } from '../../../work/use-done';
import { type UndoSent, undoOf } from '../../../work/property-action';
import type { PropertyWork } from '../../../work/property-work';
import { asidePlan, wishedName } from '../search/aside-plan';
import { CareTasks } from '../board/care-lane';
import { Compare } from './compare';
import { DoseTable } from '../board/dose-table';
import type { SeasonSent } from '../season-action';
import { AIM_WORDS, otherAims, PlanOptions } from '../search/plan-options';

const UNSOLVED = { products: undefined, solved: undefined };

export interface BesidePlanProps {
  work: PropertyWork;
  zone: Zone;
  shown: SeasonPlan;
  shownZone: ZoneSeason;
  doses: readonly PlannedDose[];
  aim: PlanAim;
  edited: boolean;
  onAim: (aim: PlanAim) => void;
  onTake: (doses: PlannedDose[], says: string) => void;
  /** Searches for the plans of the other aims, to stand beside this one. */
  onFindBeside: (() => void) | undefined;
  send: (sent: SeasonSent | UndoSent) => Promise<unknown>;
}

/** Below the board: what the planner is asked for, plans side by side, the doses as a table, care beside feeding. */
export function BesidePlan({
  work,
  zone,
  shown,
  shownZone,
  doses,
  aim,
  edited,
  onAim,
  onTake,
  onFindBeside,
  send,
}: BesidePlanProps) {
  const { file, draft, plan, year } = work;
  const done = useDone();
  const products = file.products ?? [];
  const effort: Effort = file.choices?.effort ?? 'essential';
  const care = useMemo(() => careTasks(shown, effort), [shown, effort]);
  const asides = useMemo(() => asidePlans(file, year), [file, year]);
  const setBeside = (named: Parameters<typeof asidePlan>[2]) =>
    void done(() => send({ intent: 'aside', plan: asidePlan(file, year, named) }));
  const lastYear = useMemo(() => lastYearsDoses(file, year), [file, year]);
  const [lastYearName, weeklyName] = [`As in ${year - 1}`, 'Weekly light feeding in fall'];
  const beside = (name: string) => asides.some((a) => a.name === name);
  const others = [
    ...(asides.length === 0
      ? [
          {
            label: `Find ${otherAims(aim)
              .map((each) => AIM_WORDS[each].toLowerCase())
              .join(' and ')} beside it`,
            onSet: onFindBeside,
          },
        ]
      : []),
    ...(lastYear.length > 0 && !beside(lastYearName)
      ? [
          {
            label: 'Set last year’s aside',
            onSet: () => setBeside({ ...UNSOLVED, name: lastYearName, doses: lastYear }),
          },
        ]
      : []),
    ...(shown.zones.some((z) => z.grass.season === 'cool' && z.season) && !beside(weeklyName)
      ? [
          {
            label: 'Set weekly light feeding aside',
            onSet: () =>
              setBeside({
                ...UNSOLVED,
                name: weeklyName,
                doses: weeklyLightDoses(draft, doses),
                comparisonOnly: true,
              }),
          },
        ]
      : []),
  ];
  const drop = (aside: Plan) => {
    void done(
      () => send({ intent: 'drop-aside', planId: aside.id }),
      `${aside.name ?? 'The plan'} is dropped.`,
      (answer) => send(undoOf(answer)),
    );
  };
  return (
    <div className="tables">
      <PlanOptions
        choices={file.choices}
        aim={aim}
        zoneSeason={shownZone}
        picked={plan?.products ?? {}}
        onAim={onAim}
        onChoices={(choices) => void done(() => send({ intent: 'choices', choices }))}
        onProduct={(key, productId) => void done(() => send({ intent: 'product', key, productId }))}
      />
      <DoseTable zoneSeason={shownZone} products={products} />
      <Compare
        file={file}
        draft={draft}
        season={shown}
        asides={asides}
        zone={zone}
        onSetAside={() =>
          setBeside({
            name: wishedName(edited ? undefined : aim, file),
            products: plan?.products,
            solved: plan?.solved,
            doses: [...doses],
          })
        }
        others={others}
        onTake={(next, name) => onTake(next, `${name} taken`)}
        onDrop={drop}
      />
      <CareTasks
        tasks={care.filter((task) => task.zoneId === zone.id)}
        effort={effort}
        zoneName={zone.name}
        onEffort={(to) => void done(() => send({ intent: 'choices', choices: { effort: to } }))}
      />
      <p className="small" style={{ marginTop: 10 }}>
        Always: {cautionsUnder(file.codes ?? []).join(' ')}
      </p>
    </div>
  );
}
