import { useMemo, useState } from 'react';
import { goLines, verdictOf } from '@core/field/go';
import { asTaken, densityOf } from '@core/products/as-weighed';
import { type Job, jobsOf } from '@core/field/jobs';
import { materialOf, protectionFor } from '@core/field/material';
import { isOpen } from '@core/runs/run-state';
import { weighError } from '@core/field/weigh-back';
import { type Gear, gearOf, type LayingSchool, type Walk, walkOf } from '@core/field/walk';
import { groundOf } from '@core/ground/zone-ground';
import { percentFor } from '@core/products/shelf';
import { faceOf } from '@core/products/label/face';
import { newId } from '@core/records/new-id';
import type { Run, RunEvent } from '@core/records/case';
import type { Operator } from '@core/records/operator-schema';
import { evaluate } from '@core/reckoning/define';
import { isRefusal } from '@core/reckoning/refusal';
import { fieldDay } from '@core/field/field-day';
import { useUnits } from '../../ui/format';
import { makePdf } from '../../ui/make-pdf';
import { saveFile, saveTextFile } from '../../ui/save-text-file';
import { goByDay, weatherOn } from '@core/field/day-verdicts';
import { printWindowCalendar } from '@core/files/window-calendar';
import { amountOf } from '../../work/amount-out';
import { daysFromText } from './typed-days';
import { usePlace } from '../../ui/place';
import { useDone } from '../../work/use-done';
import { usePropertyWork } from '../../work/use-property-work';
import { undoOf, type UndoSent } from '../../work/property-action';
import { useSend } from '../../work/send';
import { waterFactsAt } from '@core/field/job-hours';
import { type WaterTask, waterTasks } from '@core/field/water-task';
import { type GoWindow, weatherAt } from '@core/field/hours';
import { type Forecast, forecastNow } from '@core/field/forecast-now';
import { FOLIAR_WATER_GAL } from '@core/foliar/foliar-feeds';
import { sprayRefused } from '@core/field/spray-refused';
import type { TypedTank } from './tank-panel';
import { useHours } from './use-hours';
import { goFactsOf } from '@core/field/day-facts';
import { NO_DAY, type TypedDay, weatherFrom } from './day-words';
import type { Answer, Sent } from './field-action';
import { momentHere } from '../../ui/today';
import { useMedia } from '../../ui/use-media';
import { type Gate, gateFor } from '@core/field/gate';
import { layingSays } from '@core/field/laying-says';
import { lawToday } from '@core/field/law-today';
import { readyHints } from '@core/field/readiness';
import type { Spreader } from '@core/records/spreader-schema';
import { useSpreaders } from '../../work/spreaders';
import type { KeptGear } from './gear';

/** The least that a spreader was seen to give, of what it was caught with. */
const leastCaught = (gate: Gate | undefined): { leastRateLb?: number } =>
  gate && gate.catches.length > 0 ? { leastRateLb: Math.min(...gate.catches.map(({ rateLb }) => rateLb)) } : {};

type Lengths = Record<'swath' | 'hopper' | 'speed', string>;

/** The jobs of the property, the one in hand, what is known of the hour, how it is walked, and what is sent. */
export function useField(
  noted: KeptGear,
  operators: readonly Operator[],
  spreaders: readonly Spreader[],
  told: Forecast | undefined,
  keptDaysText: string,
) {
  const units = useUnits();
  const { file, season, plan, today, packs } = usePropertyWork();
  const [place, setPlace] = usePlace();
  const { send, fetcher } = useSend<Sent | UndoSent, Answer>();
  const done = useDone();
  const jobs = useMemo(() => jobsOf(file, season, plan?.keptOn !== undefined, today), [file, season, plan, today]);
  const job =
    jobs.find(({ key }) => key === place.get('job')) ??
    jobs.find(({ state }) => state !== 'done' && state !== 'later' && state !== 'skipped');
  const choose = (key: string) =>
    setPlace((before) => {
      before.set('job', key);
      return before;
    });
  const [days, setDays] = useState<Readonly<Record<string, TypedDay>>>({});
  const day = (job && days[job.key]) ?? NO_DAY;
  const setDay = (next: TypedDay) => job && setDays((all) => ({ ...all, [job.key]: next }));
  const [operatorId, setOperatorId] = useState<string | undefined>(operators[0]?.id);
  const operator = operators.find(({ id }) => id === operatorId);
  const ground = useMemo(() => {
    const found = job && groundOf(job.zone, file.property.site);
    return found && !isRefusal(found) ? found : undefined;
  }, [job, file.property.site]);
  const { weather: typedWeather, faults: weatherFaults } = weatherFrom(day, units);
  const hourNow = momentHere().slice(0, 13);
  const forecast = useMemo(() => (told ? forecastNow(told, hourNow) : undefined), [told, hourNow]);
  const latitudeDeg = file.property.latitudeDeg ?? forecast?.station.latitudeDeg ?? 0;
  const forecastHere =
    forecast?.now === undefined
      ? undefined
      : weatherAt(forecast.hours, forecast.now, latitudeDeg, job?.product.rainfastHours);
  const [daysText, setDaysText] = useState(keptDaysText);
  const { days: readDays, fault: daysFault } = useMemo(
    () => daysFromText(daysText, units, today),
    [daysText, units, today],
  );
  // of lines one of which cannot be read nothing counts
  const weatherDays = useMemo(() => (daysFault ? [] : readDays), [daysFault, readDays]);
  const dayVerdicts = useMemo(
    () =>
      job
        ? goByDay(weatherDays, (date) =>
            goFactsOf(
              job,
              file,
              ground,
              { ground: 'firm', turf: 'growing', label: 'with-me', disease: 'over' },
              {},
              operator,
              date,
            ),
          )
        : [],
    [job, weatherDays, file, ground, operator],
  );
  // what is typed and seen on the spot stands before what was forecast, and a forecast of the hour before one of the day
  const { leaf: leafTold, ...weatherTold } = forecastHere ?? {};
  const knownWeather = { ...weatherOn(weatherDays, today), ...weatherTold };
  const weather = { ...knownWeather, ...typedWeather };
  const seen: TypedDay = leafTold === undefined || day.leaf ? day : { ...day, leaf: leafTold };
  const waterFacts = job && forecast?.now !== undefined ? waterFactsAt(job, file, forecast, forecast.now) : {};
  const lines = job ? goLines({ ...goFactsOf(job, file, ground, seen, weather, operator, today), ...waterFacts }) : [];
  const verdict = verdictOf(lines);

  const last = spreaders.find(({ id }) => id === noted.spreaderId) ?? spreaders[0];
  const kept: KeptGear = { ...noted, ...(last ? gearOf(last) : {}) };
  const [gear, setGear] = useState<Gear>(kept);
  const [lengths, setLengths] = useState<Lengths>(() => ({
    swath: units.field('length', kept.swathFt),
    hopper: units.field('weight', kept.hopperLb),
    speed: units.field('speed', kept.speedMph),
  }));
  const gearFaults: Partial<Lengths> = {};
  const typedGear = (next: Lengths): Partial<Gear> => {
    const swath = units.value('length', next.swath, 'Swath', 'swath');
    const hopper = units.value('weight', next.hopper, 'Hopper', 'hopper');
    const speed = units.value('speed', next.speed, 'Walking speed', 'speed');
    return {
      ...(typeof swath === 'number' && swath > 0 && swath <= 200 ? { swathFt: swath } : {}),
      hopperLb: typeof hopper === 'number' && hopper > 0 && hopper <= 10_000 ? hopper : undefined,
      ...(typeof speed === 'number' && speed >= 0.5 && speed <= 10 ? { speedMph: speed } : {}),
    };
  };
  for (const [key, label, quantity, range] of [
    ['swath', 'Swath', 'length', [0, 200]],
    ['hopper', 'Hopper', 'weight', [0, 10_000]],
    ['speed', 'Walking speed', 'speed', [0.5, 10]],
  ] as const) {
    const value = units.value(quantity, lengths[key], label, key);
    if (isRefusal(value)) gearFaults[key] = value.refused;
    else if (value !== undefined && (value < range[0] || value > range[1] || value === 0))
      gearFaults[key] =
        `${label} must be above ${units.say(quantity, range[0])} and at most ${units.say(quantity, range[1])}.`;
    else if (value === undefined && key === 'swath') gearFaults.swath = 'Type how wide one pass lays.';
  }
  const density = job && densityOf(job.product);
  const weighOutLb = job ? asTaken(job.dose.zoneLb, job.product) : 0;
  /** Passes that somebody turned, each for its own job. */
  const [bearings, setBearings] = useState<Readonly<Record<string, number>>>({});
  const walk = useMemo((): Walk | string | undefined => {
    if (!job) return undefined;
    // a run is walked the way it was begun, whatever is set up meanwhile
    const begun = job.run && isOpen(job.run) ? job.run.events[0] : undefined;
    const found = walkOf(ground?.fed ?? [], job.zone.areaSqFt, weighOutLb, {
      ...gear,
      bearingDeg: begun?.bearingDeg ?? bearings[job.key],
      ...(begun?.swathFt === undefined ? {} : { swathFt: begun.swathFt }),
      ...(begun?.school === undefined ? {} : { school: begun.school }),
    });
    return isRefusal(found) ? found.refused : found;
  }, [job, ground, weighOutLb, gear, bearings]);
  const minutes = typeof walk === 'object' ? walk.rounds.reduce((sum, round) => sum + round.minutes, 0) : 60;
  const [spreaderId, setSpreaderId] = useState(last?.id);
  const spreader = spreaders.find(({ id }) => id === spreaderId);
  const targets = useMemo(
    () => (typeof walk === 'object' ? walk.rounds.map(({ settingLb }) => settingLb) : []),
    [walk],
  );
  const gates =
    job && spreader
      ? targets.map((targetLb) =>
          gateFor(spreader, {
            productId: job.product.id,
            targetLb,
            today,
            ...(operator ? { operator: operator.name } : {}),
            ...(job.product.lot ? { lot: job.product.lot } : {}),
          }),
        )
      : [];
  const [tank, setTank] = useState<TypedTank>(() => ({
    carrier: units.field('carrier', FOLIAR_WATER_GAL),
    tank: units.field('volume', kept.tankGal),
  }));
  const [sunSaid, setSunSaid] = useState(kept.sun);
  const phone = useMedia('(max-width: 760px)');
  const saveGear = (next: KeptGear) => {
    const tankGal = units.value('volume', tank.tank, 'Tank', 'tank');
    const whole = {
      ...(sunSaid === undefined ? {} : { sun: sunSaid }),
      ...(typeof tankGal === 'number' && tankGal > 0 ? { tankGal } : {}),
      ...next,
    };
    return done(() => send({ intent: 'gear', gear: whole as unknown as Record<string, unknown> }));
  };
  /** From now on this one is walked with: what the kit knows of it stands before what was walked with. */
  const walkWith = (id: string, of: Pick<Spreader, 'swathFt' | 'hopperLb'>) => {
    const next = { ...gear, ...gearOf(of) };
    setSpreaderId(id);
    setGear(next);
    setLengths((before) => ({
      ...before,
      swath: units.field('length', next.swathFt),
      hopper: units.field('weight', next.hopperLb),
    }));
    void saveGear({ ...next, spreaderId: id });
  };
  const chooseSpreader = (id: string | undefined) => {
    const of = spreaders.find((each) => each.id === id);
    if (of) walkWith(of.id, of);
    else setSpreaderId(undefined);
  };
  const { save: keepSpreader, remove: deleteSpreader } = useSpreaders(spreaders, (change) =>
    send({ intent: 'spreader', change }),
  );
  const saveSpreader = async (of: Spreader | Omit<Spreader, 'id'>): Promise<boolean> => {
    const id = await keepSpreader(of);
    if (id !== undefined && !('id' in of)) walkWith(id, of);
    return id !== undefined;
  };
  const error =
    job && ground?.error
      ? evaluate(weighError, { ratePer1000Lb: job.dose.rateLb, areaErrorSqFt: ground.error.value })
      : undefined;

  const reasons = lines.filter(({ standing }) => standing === verdict && verdict !== 'go').map(({ id }) => id);
  /** What is kept of the hour with a start or a going on. */
  const hour = {
    verdict,
    ...(reasons.length > 0 ? { reasons: reasons.join(', ') } : {}),
    ...(weather.windMph === undefined ? {} : { windMph: weather.windMph }),
    ...(weather.highF === undefined ? {} : { airF: weather.highF }),
  };
  const isSprayed = job !== undefined && materialOf(job.product, job.dose.for) === 'spray';
  const carrier = units.value('carrier', tank.carrier, 'Finished spray', 'carrier');
  const sprayFault =
    job && isSprayed
      ? sprayRefused(job.product, job.dose.rateLb, typeof carrier === 'number' ? carrier : undefined)
      : undefined;
  /** How a granular job is walked, as its run keeps it. */
  const walked = (): Partial<RunEvent> => ({
    school: gear.school,
    swathFt: gear.swathFt,
    ...(spreader ? { spreader: spreader.name } : {}),
    ...(gates[0]?.set === undefined ? {} : { opening: gates[0].set }),
    ...(typeof walk === 'object'
      ? {
          bearingDeg: walk.rounds[0]?.stripes.bearingDeg ?? 0,
          runsFt: walk.rounds.flatMap(({ stretchesFt }) => stretchesFt),
        }
      : {}),
  });
  const start = (of: Job, { weighedLb, override }: { weighedLb: number; override?: string }) => {
    const taken = (file.runs ?? []).map(({ id }) => id);
    // the tank that was typed is the tank of the next job
    if (isSprayed) void saveGear({ ...gear, ...(spreaderId === undefined ? {} : { spreaderId }) });
    const event: RunEvent = {
      at: momentHere(),
      kind: 'started',
      ...(operator ? { operator: operator.name } : {}),
      ...hour,
      ...(override ? { override } : {}),
      weighedLb,
      ...(isSprayed ? {} : walked()),
    };
    const run: Run = {
      id: newId(`${of.zone.id}-${of.dose.date}-${of.dose.productId}`, taken),
      zoneId: of.zone.id,
      productId: of.product.id,
      plannedOn: of.dose.date,
      for: of.dose.for,
      rateLb: of.dose.rateLb,
      plannedLb: of.dose.zoneLb,
      areaSqFt: of.zone.areaSqFt,
      ...(ground?.error ? { areaErrorSqFt: ground.error.value } : {}),
      label: {
        name: of.product.name,
        face: faceOf(of.product).slice(0, 40),
        percent: percentFor(of.product, of.dose.for),
        ...(of.product.lot ? { lot: of.product.lot } : {}),
        ...(density === undefined ? {} : { lbPerGal: density }),
      },
      events: [event],
    };
    return done(() => send({ intent: 'start', run }));
  };
  const step = (run: Run, of: Omit<RunEvent, 'at'>) =>
    done(() => send({ intent: 'step', runId: run.id, step: { ...of, at: momentHere() } }));
  const sign = (run: Run) =>
    void done(
      () =>
        send({
          intent: 'sign',
          runId: run.id,
          step: { at: momentHere(), kind: 'signed', ...(operator ? { operator: operator.name } : {}) },
        }),
      'Signed. It counts in the plan from now on.',
      (answer) => send(undoOf(answer)),
    );
  const skip = (of: Job, reason: string) =>
    done(
      () =>
        send({
          intent: 'skip',
          zoneId: of.zone.id,
          jobKey: of.key,
          reason,
          at: momentHere(),
          by: operator?.name ?? '',
        }),
      'The job is not done, by decision; the log has the reason.',
      (answer) => send(undoOf(answer)),
    );
  const watered = ({ ofRun }: WaterTask, by: NonNullable<RunEvent['wateredBy']>) =>
    void done(
      () => send({ intent: 'watered', runId: ofRun.id, step: { at: momentHere(), kind: 'watered', wateredBy: by } }),
      'Watered in: people and pets may come back once it is dry.',
      (answer) => send(undoOf(answer)),
    );
  const saveSprinklers = (zoneId: string, inPerHour: number | undefined) =>
    void done(
      () => send({ intent: 'sprinklers', zoneId, ...(inPerHour === undefined ? {} : { inPerHour }) }),
      'The sprinklers of this zone are saved.',
      (answer) => send(undoOf(answer)),
    );
  const printSheets = async () => {
    const spare = spreaders.filter(({ id }) => id !== spreaderId);
    const day = fieldDay(
      { ...file, spreaders: spreader ? [spreader, ...spare] : [], ...(operator ? { operators: [operator] } : {}) },
      {
        date: today,
        packs,
        gear,
        bearings,
        ...(operator ? { operatorId: operator.id } : {}),
        ...(told ? { forecast: told, hour: hourNow } : {}),
      },
    );
    if (isRefusal(day)) return;
    const { fieldSheets } = await import('./field-sheet');
    saveFile(await makePdf(fieldSheets(day, file.property.name, units), `field-${file.property.id}-${today}.pdf`));
  };
  const answer = fetcher.state === 'idle' ? fetcher.data : undefined;
  const openElsewhere = (file.runs ?? []).filter((run) => isOpen(run) && !jobs.some((each) => each.run?.id === run.id));
  return {
    file,
    plan,
    today,
    jobs,
    job,
    choose,
    day,
    setDay,
    weatherFaults,
    lines,
    verdict,
    forecast,
    weatherTold: knownWeather,
    ...useHours({ forecast, job, file, ground, day, operator, today, latitudeDeg, minutes }),
    getForecast: (station: string) => done(() => send({ intent: 'forecast', station, hour: hourNow })),
    tank,
    isSprayed,
    sprayFault,
    setTank,
    hour,
    now: momentHere(),
    sun: sunSaid ?? phone,
    setSun: (on: boolean) => {
      setSunSaid(on);
      void saveGear({ ...gear, sun: on, ...(spreaderId === undefined ? {} : { spreaderId }) });
    },
    operator,
    operatorId,
    setOperatorId,
    ground,
    gear,
    lengths,
    gearFaults,
    typeLength: (key: keyof Lengths, text: string) => {
      const next = { ...lengths, [key]: text };
      setLengths(next);
      setGear((before) => ({ ...before, ...typedGear(next) }));
    },
    setSchool: (school: LayingSchool) => setGear((before) => ({ ...before, school })),
    turn: (byDeg: number) => {
      if (!job) return;
      setBearings((before) => {
        const at = before[job.key] ?? (typeof walk === 'object' ? (walk.rounds[0]?.stripes.bearingDeg ?? 0) : 0);
        return { ...before, [job.key]: (at + byDeg + 360) % 360 };
      });
    },
    saveGear: () => void saveGear({ ...gear, ...(spreaderId === undefined ? {} : { spreaderId }) }),
    spreader,
    chooseSpreader,
    saveSpreader,
    deleteSpreader,
    targets,
    gates,
    weighOutLb,
    likelyLb: error && !isRefusal(error) ? error.likelyLb : undefined,
    walk,
    law: job ? lawToday(job, file, today, operator) : [],
    hints: job ? readyHints(job, today) : {},
    protection: job ? protectionFor(job.product) : [],
    start,
    skip,
    step,
    sign,
    fault: answer?.faults?.forecast === undefined && answer?.faults ? Object.values(answer.faults)[0] : undefined,
    forecastFault: answer?.faults?.forecast,
    openElsewhere,
    waterTasks: waterTasks(file, momentHere().slice(0, 16)),
    watered,
    saveSprinklers,
    printSheets,
    laying: job
      ? layingSays({
          job,
          jobs,
          weighOutLb,
          school: gear.school,
          ...leastCaught(gates[0]),
        })
      : [],
    daysText,
    daysFault,
    dayVerdicts,
    typeDays: setDaysText,
    clearDays: () => {
      setDaysText('');
      void done(() => send({ intent: 'days', text: '' }));
    },
    saveDays: () => {
      if (daysText !== keptDaysText) void done(() => send({ intent: 'days', text: daysText }));
    },
    remind: (window: GoWindow) => {
      if (!job) return;
      const title = `${job.zone.name}: ${job.product.name}`;
      const says = units.said(
        `${amountOf(units, job.product).say(weighOutLb)}, ${file.property.name}. Look at ground, turf and leaf before the start.`,
      );
      saveTextFile(
        `${newId(title, [])}.ics`,
        printWindowCalendar(window, { key: `${file.property.id}-${job.key}`, title, says }, new Date().toISOString()),
        'text/calendar',
      );
    },
  };
}
export type FieldState = ReturnType<typeof useField>;
