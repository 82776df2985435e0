import { Button } from 'antd';
import { sayClock } from '@core/words/days';
import type { WaterTask } from '@core/field/water-task';
import type { RunEvent } from '@core/records/case';
import { useUnits } from '../ui/format';
import { WarnGlyph } from '../ui/glyphs';
import { Said } from '../ui/substance';

const WAYS = { sprinklers: 'By sprinklers', rain: 'By rain', hose: 'By hose' } as const;
type Way = NonNullable<RunEvent['wateredBy']>;

/** What is still to be watered in, and how: by when, how much, how long; the button closes it. */
export function WaterList({
  tasks,
  onWatered,
}: {
  tasks: readonly WaterTask[];
  onWatered?: (task: WaterTask, by: Way) => void;
}) {
  const units = useUnits();
  if (tasks.length === 0) return null;
  return (
    <ul className="watertasks">
      {tasks.map((task) => {
        const { ofRun, zone, by, isLate, isShut, from, depthIn, gallons, run } = task;
        return (
          <li key={ofRun.id}>
            <b>
              {isLate && <WarnGlyph />} {zone.name}: {isLate ? 'was due' : 'water in'} by {sayClock(by)}
            </b>
            <span className="small">
              <Said text={`${depthIn} in`} />, {units.say('volume', gallons)}, {ofRun.label.name.toLowerCase()}
              {run &&
                `; ${units.plain(run.minutes, 0)} min${run.cycles > 1 ? ` in ${run.cycles} cycles of ${units.plain(run.minutesPerCycle, 0)} min, 45 min of rest between` : ''}`}
              {isShut
                ? '; the local code lets no sprinkler run before then: a hose, or ask the authority'
                : from !== undefined && `; the local code lets it run from ${sayClock(from)}`}
              . Children and pets stay off until then.
            </span>
            {onWatered && (
              <span className="pairacts">
                {(Object.keys(WAYS) as Way[])
                  .filter((way) => way !== 'sprinklers' || zone.irrigated !== false)
                  .map((way) => (
                    <Button
                      key={way}
                      aria-label={`${WAYS[way]}: ${zone.name}, ${ofRun.label.name}`}
                      onClick={() => onWatered(task, way)}
                    >
                      {WAYS[way]}
                    </Button>
                  ))}
              </span>
            )}
          </li>
        );
      })}
    </ul>
  );
}
