import { Segmented } from 'antd';
import { useId } from 'react';
import { type CareTask, type Effort, EFFORTS } from '@core/care/tasks';
import { sayDay } from '@core/words/days';
import { Said } from '../../../ui/substance';

const EFFORT_WORDS: Record<Effort, string> = { essential: 'Essential', better: 'Better', best: 'Best' };

/** Care tasks of a zone that share the calendar with feeding, at the depth of effort that is chosen. */
export function CareTasks({
  tasks,
  effort,
  zoneName,
  onEffort,
}: {
  tasks: readonly CareTask[];
  effort: Effort;
  zoneName: string;
  onEffort: (effort: Effort) => void;
}) {
  const id = useId();
  return (
    <section className="care" aria-labelledby={`${id}-h`}>
      <div className="pagehead" style={{ padding: 0 }}>
        <h2 id={`${id}-h`}>Care of {zoneName}, beside feeding</h2>
        <span className="sp" />
        <Segmented<Effort>
          aria-label="Depth of effort"
          value={effort}
          onChange={onEffort}
          options={EFFORTS.map((value) => ({ value, label: EFFORT_WORDS[value] }))}
        />
      </div>
      {tasks.length === 0 ? (
        <p className="note">No climate yet, so no care can be dated.</p>
      ) : (
        <ul>
          {tasks.map((task) => (
            <li key={task.id}>
              <span className="nowrap">
                {sayDay(task.from)} to {sayDay(task.to)}
              </span>
              <span>
                <b>{task.title}</b>
                <span className="small">
                  {' '}
                  <Said text={task.says} />
                </span>
              </span>
              <span className="small">when {task.condition}</span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
