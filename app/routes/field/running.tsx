import { Button, Checkbox } from 'antd';
import { useRef, useState } from 'react';
import { remaining } from '@core/field/hopper';
import { overSays } from '@core/field/over-says';
import type { Verdict } from '@core/field/go';
import { photosOf, runState } from '@core/runs/run-state';
import { weighBack } from '@core/field/weigh-back';
import { overOrUnder } from '@core/log/over-or-under';
import type { Run, RunEvent } from '@core/records/case';
import { MOST } from '@core/records/most';
import { evaluate } from '@core/reckoning/define';
import { isRefusal } from '@core/reckoning/refusal';
import { OZ_PER_LB } from '@core/units/conversions';
import { fixed } from '@core/words/numbers';
import { Fault, TextField } from '../../ui/field';
import { FilePicker } from '../../ui/file-picker';
import { PhotoStrip } from '../../work/photo-strip';
import { takenPhoto } from '../../work/run-photo';
import { useUnits } from '../../ui/format';
import { useHeldLock } from '../../ui/use-held-lock';
import { useKey } from '../../ui/keys';
import { useWakeLock } from '../../ui/use-wake-lock';
import { StandingGlyph } from '../../ui/glyphs';
import { amountOut } from '../../work/amount-out';
import { Said } from '../../ui/substance';

type Step = Omit<RunEvent, 'at'>;

interface RunningProps {
  run: Run;
  zoneName: string;
  /** Days between two feedings of the zone, for what follows from too much. */
  leastDaysBetween: number;
  /** What of the product the dose is for, as labels name it. */
  substance: string;
  operator: string;
  fault: string | undefined;
  onStep: (step: Step) => Promise<boolean>;
  onSign: () => void;
  /** The hour looked at anew, where the run was left for long: how it stands, and what is kept of it with the going on. */
  anew?: { verdict: Verdict; asked: number; hour: Partial<Step> };
}

/** After a long break it goes on only by a look at the hour; against a warning with a reason, against the ground and the law not at all. */
function GoOnAnew({ verdict, asked, hour, onStep }: NonNullable<RunningProps['anew']> & Pick<RunningProps, 'onStep'>) {
  const [reason, setReason] = useState('');
  const may = verdict === 'go' || (verdict === 'wait' && reason.trim().length >= 3);
  return (
    <>
      {verdict === 'wait' && <TextField label="Go on all the same, because" value={reason} onChange={setReason} />}
      <div className="bigacts">
        <Button
          type="primary"
          disabled={!may}
          onClick={() =>
            void onStep({ ...hour, kind: 'resumed', ...(verdict === 'wait' ? { override: reason.trim() } : {}) })
          }
        >
          {verdict === 'wait' ? 'Go on all the same' : 'Go on'}
        </Button>
        <span className="small">
          {verdict === 'ask' && `left for over 2 h: answer ${asked} ${asked === 1 ? 'question' : 'questions'} first`}
          {verdict === 'never' && 'nothing goes down now: finish, and weigh back what is left'}
        </span>
      </div>
    </>
  );
}

/** Where a stretch is broken off, so that somebody finds the place again and the hopper can be looked at. */
function MarkPlace({
  stretchFt,
  partFt,
  onMark,
}: {
  stretchFt: number;
  partFt: number;
  onMark: (feet: number) => void;
}) {
  const units = useUnits();
  const [typed, setTyped] = useState(units.field('length', partFt > 0 ? partFt : undefined));
  const read = units.value('length', typed, 'Along the stretch', 'mark');
  const fault = isRefusal(read)
    ? read.refused
    : read !== undefined && (read < 0 || read > stretchFt)
      ? `This stretch is ${units.say('length', stretchFt)} long.`
      : undefined;
  const mark = () => typeof read === 'number' && !fault && onMark(read);
  return (
    <>
      <TextField
        label="Along the stretch"
        unit={units.unit('length')}
        inputMode="decimal"
        autoFocus
        value={typed}
        fault={fault}
        onChange={setTyped}
        onEnter={mark}
      />
      <Button disabled={typeof read !== 'number' || fault !== undefined} onClick={mark}>
        Mark here
      </Button>
    </>
  );
}

/** Photos of the work: taken by the camera or chosen, drawn anew without place and camera, kept in this browser. */
function Photos({ run, of, onStep }: { run: Run; of: string; onStep: RunningProps['onStep'] }) {
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  const hashes = photosOf(run);
  const take = async (file: File) => {
    setBusy(true);
    const taken = await takenPhoto(file);
    setFault(typeof taken === 'string' ? taken : undefined);
    if (typeof taken !== 'string') await onStep({ kind: 'photo', photo: taken.hash });
    setBusy(false);
  };
  return (
    <details className="givingup" open={hashes.length > 0 || undefined}>
      <summary>Photos</summary>
      <PhotoStrip hashes={hashes} of={of} />
      <FilePicker
        label="Photo file"
        accept="image/*"
        camera
        disabled={busy || hashes.length >= MOST.photosOfARun}
        onFile={(file) => void take(file)}
      >
        {busy ? 'Saving the photo' : 'Add a photo'}
      </FilePicker>
      <p className="small">
        {hashes.length >= MOST.photosOfARun
          ? `A run keeps at most ${MOST.photosOfARun} photos.`
          : 'Place and camera are taken out of it. It is kept in this browser; a backup does not hold it.'}
      </p>
      <Fault>{fault}</Fault>
    </details>
  );
}

const clock = (at: string): string => at.slice(11, 16);

/** A run that was started: only what is needed now, then what is left, then the name under it. */
export function Running(props: RunningProps) {
  const { isElsewhere, takeOver } = useHeldLock(`run ${props.run.id}`);
  if (!isElsewhere) return <RunHere {...props} />;
  return (
    <section className="running" aria-labelledby="elsewhere">
      <h2 id="elsewhere">{props.zoneName}: open in another tab</h2>
      <p>This run is carried out there. Two tabs would count its stretches twice.</p>
      <div className="bigacts">
        <Button onClick={takeOver}>Take it over here</Button>
      </div>
    </section>
  );
}

function RunHere(props: RunningProps) {
  const { run, zoneName, fault, onStep, anew } = props;
  const units = useUnits();
  const out = amountOut(units, run.label.lbPerGal);
  const state = runState(run);
  const { standing, runsFt, runsDone, partFt, weighedLb } = state;
  const staysOn = useWakeLock(standing === 'running');
  const [covered, setCovered] = useState('');
  const [coveredFault, setCoveredFault] = useState<string>();
  const [reason, setReason] = useState('');
  const [note, setNote] = useState('');
  const left =
    runsFt.length === 0
      ? undefined
      : evaluate(remaining, { productLb: weighedLb, runsFt, runsDone: Math.min(runsDone, runsFt.length), partFt });
  const finish = () => {
    const value = units.value('area', covered, 'Ground covered', 'covered');
    if (isRefusal(value)) return setCoveredFault(value.refused);
    if (value !== undefined && value <= 0) return setCoveredFault('Type how much ground was covered.');
    setCoveredFault(undefined);
    void onStep({ kind: 'finished', runsDone, ...(value === undefined ? {} : { coveredSqFt: value }) });
  };
  const doneToHere = () => void onStep({ kind: 'run-done', runsDone: runsDone + 1 });
  const walking = standing === 'running' && !anew;
  const finishButton = useRef<HTMLButtonElement>(null);
  const [markOpen, setMarkOpen] = useState(false);
  useKey('done-to-here', doneToHere, [onStep, runsDone], walking && runsDone < runsFt.length);
  useKey(
    'pause',
    () => void onStep({ kind: standing === 'paused' ? 'resumed' : 'paused' }),
    [onStep, standing],
    walking || (standing === 'paused' && !anew),
  );
  useKey('go-to-finish', () => finishButton.current?.focus());
  useKey('mark', () => setMarkOpen(true), [], runsDone < runsFt.length);
  if (standing === 'finished' || standing === 'weighed') return <WeighBack {...props} />;
  return (
    <section className="running" aria-labelledby="running">
      <h2 id="running">
        {anew ? 'Left' : standing === 'paused' ? 'Paused' : 'Running'}, {zoneName}
      </h2>
      <p className="small">
        Started {clock(state.startedAt)}
        {state.operator && ` by ${state.operator}`}; {out.say(weighedLb)} {out.isLiquid ? 'measured' : 'weighed'} out,{' '}
        {state.start.opening !== undefined && `gate at ${units.plain(state.start.opening, 2)}, `}
        {fixed(state.minutes, 0)} min of work.
        {standing === 'running' && !staysOn && ' This browser cannot keep the screen on.'}
      </p>
      {runsFt.length > 0 && (
        <p className="now" role="status">
          {runsDone >= runsFt.length ? (
            'All stretches are done.'
          ) : (
            <>
              <b>
                Stretch {runsDone + 1} of {runsFt.length}
              </b>
              , {units.say('length', runsFt[runsDone] ?? 0)}
              {partFt > 0 && `, ${units.say('length', partFt)} of it done.`}
            </>
          )}
          {left && !isRefusal(left) && (
            <span className="small">
              {' '}
              The {out.isLiquid ? 'tank' : 'hopper'} should still hold {out.say(left.leftLb)} of what went out.
            </span>
          )}
        </p>
      )}
      {anew ? (
        <GoOnAnew {...anew} onStep={onStep} />
      ) : (
        <div className="bigacts">
          {standing === 'paused' ? (
            <Button type="primary" onClick={() => void onStep({ kind: 'resumed' })}>
              Go on
            </Button>
          ) : (
            <>
              {runsDone < runsFt.length && (
                <Button type="primary" onClick={doneToHere}>
                  Done to here
                </Button>
              )}
              <Button onClick={() => void onStep({ kind: 'paused' })}>Pause</Button>
            </>
          )}
        </div>
      )}
      <div className="finishing">
        <TextField
          label="Ground covered"
          unit={units.unit('area')}
          inputMode="decimal"
          value={covered}
          fault={coveredFault}
          onChange={setCovered}
        />
        <Button ref={finishButton} type={runsDone >= runsFt.length ? 'primary' : 'default'} onClick={finish}>
          Finish
        </Button>
      </div>
      <p className="small">Left empty, all of it was covered.</p>
      {runsDone < runsFt.length && (
        <details className="givingup" open={markOpen} onToggle={({ currentTarget }) => setMarkOpen(currentTarget.open)}>
          <summary>Mark the place</summary>
          {markOpen && (
            <MarkPlace
              key={`${runsDone}/${partFt}`}
              stretchFt={runsFt[runsDone] ?? 0}
              partFt={partFt}
              onMark={(feet) => void onStep({ kind: 'marked', runsDone, partFt: feet })}
            />
          )}
        </details>
      )}
      <details className="givingup">
        <summary>Write a note</summary>
        <TextField label="Note" value={note} onChange={setNote} />
        <Button
          disabled={note.trim() === '' || note.length > MOST.letters}
          onClick={() => void onStep({ kind: 'note', note: note.trim() }).then((kept) => kept && setNote(''))}
        >
          Save note
        </Button>
        {note.length > MOST.letters && (
          <Fault>{`A note has at most ${MOST.letters} letters; this one has ${note.length}.`}</Fault>
        )}
        <ul className="small">
          {run.events
            .filter(({ kind }) => kind === 'note')
            .map((event, i) => (
              <li key={i}>
                {clock(event.at)}: {event.note}
              </li>
            ))}
        </ul>
      </details>
      <Photos run={run} of={zoneName} onStep={onStep} />
      <details className="givingup">
        <summary>Give up</summary>
        <TextField label="Why" value={reason} onChange={setReason} />
        <Button
          danger
          disabled={reason.trim().length < 3}
          onClick={() => void onStep({ kind: 'given-up', reason: reason.trim() })}
        >
          Give up this run
        </Button>
        <p className="small">What was spread is not kept then: finish and weigh back where something went down.</p>
      </details>
      <Fault>{fault}</Fault>
    </section>
  );
}

/** What is left in the hopper and in the bag, what that makes, and what now. */
function WeighBack({ run, zoneName, leastDaysBetween, substance, fault, onStep, onSign, operator }: RunningProps) {
  const units = useUnits();
  const out = amountOut(units, run.label.lbPerGal);
  const state = runState(run);
  const { weighedLb, coveredSqFt, standing } = state;
  const [hopper, setHopper] = useState(out.field(state.backLb));
  const [bag, setBag] = useState('');
  const [notPossible, setNotPossible] = useState(state.how === 'not-possible');
  const [hopperIs, bagIs] = out.isLiquid ? ['In the tank', 'In the jug'] : ['In the hopper', 'In the bag'];
  const [inHopper, inBag] = [out.read(hopper, hopperIs, 'hopper'), out.read(bag, bagIs, 'bag')];
  const wrong = [inHopper, inBag].find(isRefusal)?.refused;
  const [sweptUp, setSweptUp] = useState(out.field(state.recoveredLb));
  const swept = out.read(sweptUp, 'Swept up', 'swept');
  const recoveredLb = isRefusal(swept) ? undefined : swept;
  const backLb =
    notPossible || wrong ? 0 : ((inHopper as number | undefined) ?? 0) + ((inBag as number | undefined) ?? 0);
  const isTyped = notPossible || hopper.trim() !== '' || bag.trim() !== '';
  const answer = evaluate(weighBack, {
    weighedLb,
    backLb: backLb + (recoveredLb ?? 0),
    areaSqFt: coveredSqFt,
    plannedPer1000Lb: run.rateLb,
    percent: Math.min(100, run.label.percent),
    ...(run.areaErrorSqFt === undefined ? {} : { areaErrorSqFt: run.areaErrorSqFt }),
  });
  const over = isRefusal(answer)
    ? undefined
    : evaluate(overOrUnder, {
        ratio: Math.min(20, answer.ratePer1000Lb / run.rateLb),
        leastDaysBetween: run.for === 'N' ? leastDaysBetween : 0,
      });
  // a scale in ounces shows sixteen times as much
  const asOunces =
    !wrong && !out.isLiquid && isRefusal(answer) && backLb > weighedLb && backLb / OZ_PER_LB <= weighedLb
      ? ` Read in ounces it would be ${out.say(backLb / OZ_PER_LB)}.`
      : '';
  const says = wrong ?? (isRefusal(answer) ? `${units.said(answer.refused)}${asOunces}` : undefined);
  const keep = async () => {
    const done = await onStep({
      kind: 'weighed-back',
      backLb,
      ...(recoveredLb === undefined ? {} : { recoveredLb }),
      how: notPossible ? 'not-possible' : backLb === 0 ? 'empty' : 'typed',
    });
    if (done) onSign();
  };
  return (
    <section className="weighback" aria-labelledby="weighback">
      <h2 id="weighback">Weigh back, {zoneName}</h2>
      <p className="small">
        {out.say(weighedLb)} {out.isLiquid ? 'measured' : 'weighed'} out, {units.say('area', coveredSqFt)} covered,{' '}
        {fixed(state.minutes, 0)} min.
      </p>
      <div className="finishing">
        <TextField
          label={hopperIs}
          unit={out.unit}
          inputMode="decimal"
          value={notPossible ? '' : hopper}
          fault={says}
          onChange={setHopper}
        />
        <TextField label={bagIs} unit={out.unit} inputMode="decimal" value={notPossible ? '' : bag} onChange={setBag} />
      </div>
      <Checkbox checked={notPossible} onChange={(event) => setNotPossible(event.target.checked)}>
        It cannot be weighed: all of it is taken as spread, good to a tenth
      </Checkbox>
      {isTyped && !says && !isRefusal(answer) && (
        <>
          <ol className="arith">
            <li>
              <span>
                {out.show(weighedLb)} − {out.show(backLb)}
                {recoveredLb !== undefined && ` − ${out.show(recoveredLb)}`}
              </span>
              <b>{out.say(answer.spreadLb)} spread</b>
            </li>
            <li>
              <span>on {units.say('area', coveredSqFt)}</span>
              <b>{out.rate(answer.ratePer1000Lb)}</b>
            </li>
            <li>
              <span>of {fixed(run.label.percent, 1)} %</span>
              <b>{units.say('nutrient-rate', answer.nutrientPer1000Lb, substance)}</b>
            </li>
          </ol>
          {over && !isRefusal(over) && (
            <p className="overunder" role="status">
              <StandingGlyph
                standing={over.standing === 'within' ? 'pass' : over.standing === 'burn' ? 'fail' : 'warn'}
              />
              <span>
                <b>
                  {fixed(Math.abs(answer.overPercent), 0)} % {answer.overPercent < 0 ? 'under' : 'over'} the plan.
                </b>{' '}
                <Said text={overSays(over.standing as Parameters<typeof overSays>[0], over.laterDays)} />
              </span>
            </p>
          )}
        </>
      )}
      {(recoveredLb !== undefined || (over && !isRefusal(over) && over.standing === 'burn')) && (
        <TextField
          label="Swept up off the turf"
          unit={out.unit}
          inputMode="decimal"
          value={sweptUp}
          fault={isRefusal(swept) ? swept.refused : undefined}
          onChange={setSweptUp}
        />
      )}
      <Photos run={run} of={zoneName} onStep={onStep} />
      <div className="bigacts">
        <Button
          type="primary"
          disabled={!isTyped || says !== undefined || isRefusal(swept)}
          onClick={() => void keep()}
        >
          Sign and log
        </Button>
        {standing === 'weighed' && <span className="small">weighed, not signed yet</span>}
      </div>
      <p className="small">
        {operator ? `Signed by ${operator}.` : 'No operator is chosen: it is signed without a name.'}
      </p>
      <Fault>{fault}</Fault>
    </section>
  );
}
