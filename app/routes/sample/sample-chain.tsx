import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import type { Sample, Zone } from '@core/records/case';
import { type ChainStep, chainOf, LABORATORY_DAYS } from '@core/sampling/chain';
import type { SamplingWait } from '@core/sampling/wait';
import { addDays } from '@core/days/day';
import { LAYOUT_IDS, LAYOUT_NAMES, type LayoutId } from '../../../standins/laboratory/layout-list';
import { sayWeekday } from '@core/words/days';
import { StageGlyph, WarnGlyph } from '../../ui/glyphs';
import { optionsOf } from '../../ui/field';
import { Said } from '../../ui/substance';

const STEP_NAMES: Record<ChainStep['id'], string> = {
  taken: 'Cores taken',
  bagged: 'Bagged',
  sent: 'At the laboratory',
  back: 'Report back',
};
export const STEPS = Object.entries(STEP_NAMES) as [ChainStep['id'], string][];

interface StepProps {
  step: ChainStep;
  sample: Sample;
  zone: Zone;
  cores: number;
  today: string;
  onChange: (sample: Sample) => void;
  onHandIn: (layout: LayoutId) => void;
  onFetch: (letDaysPass: boolean) => void;
  onReadIn: () => void;
  says?: string;
}

const GLYPH = { done: 'done', now: 'under-way', ahead: 'empty', late: 'attention' } as const;

/** One step of a sample's chain: where it stands, in words, and what can be done about it now. */
export function Step({ step, sample, cores, today, onChange, onHandIn, onFetch, onReadIn, says }: StepProps) {
  const [by, setBy] = useState(sample.takenBy ?? '');
  const [day, setDay] = useState(today);
  const [layout, setLayout] = useState<LayoutId>('plain');
  const open = step.state === 'now' || step.state === 'late' || step.state === 'wait';
  const another = (label: string) => (
    <Input
      type="date"
      size="small"
      aria-label={label}
      value={day}
      max={today}
      onChange={(event) => setDay(event.target.value)}
    />
  );
  return (
    <div className={`step is-${step.state}`}>
      <p>
        {step.state === 'wait' ? <WarnGlyph /> : <StageGlyph state={GLYPH[step.state]} />}
        <b>{step.on ? sayWeekday(step.on) : ''}</b>{' '}
        <span className="small">
          <Said text={step.says} />
        </span>
      </p>
      {open && step.id === 'taken' && (
        <p className="do">
          {another('Day the cores were taken')}
          <Input
            size="small"
            aria-label="Taken by"
            placeholder="by"
            value={by}
            onChange={(event) => setBy(event.target.value)}
          />
          <Button
            size="small"
            type={step.state === 'wait' ? 'default' : 'primary'}
            onClick={() => onChange({ ...sample, takenOn: day, cores, ...(by.trim() ? { takenBy: by.trim() } : {}) })}
          >
            {step.state === 'wait' ? 'Taken all the same' : 'Cores taken'}
          </Button>
        </p>
      )}
      {open && step.id === 'bagged' && (
        <p className="do">
          {another('Day it was bagged')}
          <Button size="small" type="primary" onClick={() => onChange({ ...sample, baggedOn: day })}>
            Dried and bagged
          </Button>
        </p>
      )}
      {open && step.id === 'sent' && (
        <div className="do">
          <Select
            size="small"
            aria-label="Layout of the simulated report"
            value={layout}
            onChange={setLayout}
            options={optionsOf(LAYOUT_IDS, LAYOUT_NAMES)}
            popupMatchSelectWidth={false}
            virtual={false}
          />
          <Button size="small" type="primary" onClick={() => onHandIn(layout)}>
            To the simulated laboratory
          </Button>
          <Button
            size="small"
            onClick={() =>
              onChange({ ...sample, laboratory: 'outside', sentOn: today, expectedOn: addDays(today, LABORATORY_DAYS) })
            }
          >
            To a laboratory outside
          </Button>
        </div>
      )}
      {open && step.id === 'back' && sample.laboratory === 'simulated' && (
        <p className="do">
          <Button size="small" type="primary" onClick={() => onFetch(false)}>
            Ask for the report
          </Button>
          <Button size="small" onClick={() => onFetch(true)}>
            Let the simulated days pass
          </Button>
        </p>
      )}
      {open && step.id === 'back' && sample.laboratory === 'outside' && (
        <p className="do">
          <Button size="small" type="primary" onClick={onReadIn}>
            Import its file
          </Button>
        </p>
      )}
      {open && says && <p className="small">{says}</p>}
    </div>
  );
}

/** The chain of a zone's current sample with what it waits for. */
export const stepsOf = (sample: Sample, today: string, wait: SamplingWait): ChainStep[] =>
  chainOf(sample, today, sample.takenOn || wait.standing === 'free' ? undefined : wait.from);
