import { once } from 'node:events';
import { createReadStream, readFileSync } from 'node:fs';
import { performance } from 'node:perf_hooks';
import { parseArgs } from 'node:util';
import { parseJson } from '../core/files/case-file';
import { areaDoubtSays, areaDoubts, refuseOutlines } from '../core/files/check-ground';
import { type Case, checkCase } from '../core/records/case';
import { printFieldDay } from '../core/files/field-results';
import { refuseLog } from '../core/files/check-log';
import { printLedger } from '../core/files/ledger-results';
import { printLogCsv } from '../core/files/log-csv';
import { checkLogFile, mergedLogs } from '../core/files/log-file';
import { withGiven } from '../core/log/applied';
import { logLines } from '../core/log/log-lines';
import { packOf } from '../core/files/field-file';
import { printLogCalendar } from '../core/files/log-calendar';
import { OFFER_IDS, printReplan } from '../core/files/replan-results';
import { printPlan } from '../core/files/plan-results';
import { printInterpretation, printPrescription } from '../core/files/reading-results';
import { byFineness } from '../core/lime/lime-label';
import { packDifferences } from '../core/packs/pack-diff';
import { BUILT_IN_PACKS, checkPack, type RulePacks, withPack } from '../core/packs/rule-packs';
import { isIsoDay } from '../core/days/day';
import { isIsoHour } from '../core/climate/hourly-weather';
import { fieldDay } from '../core/field/field-day';
import { forecastOfFile } from '../core/field/forecast-now';
import dayjs from 'dayjs';
import { explain } from '../core/reckoning/define';
import { handbookEntry } from '../core/reckoning/handbook';
import { isRefusal, type Refusal, refuse } from '../core/reckoning/refusal';
import { REGISTRY } from '../core/registry';
import { planBest } from '../core/season/planner/plan-best';
import { type School, SCHOOLS } from '../core/soil/interpret';
import { closest } from 'fastest-levenshtein';
import { answersFrom } from '../core/reports/layout-file';
import { readingAsJson } from '../core/reports/print-reading';
import { runBatch } from './batch';
import { readReportFile } from './read';

/** The ubertas command. Result on stdout as JSON; messages on stderr; 0 done, 2 refused, 1 a defect of ours. */

const USAGE = `ubertas list
ubertas explain ID
ubertas reckon ID 'JSON'
ubertas convert VALUE FROM TO (as in: convert 2.5 'lb/1000 ft2' g/m2; a negative value stands behind --)
ubertas interpret CASE.json [--school sufficiency|minimum|saturation] [--on 2027-03-01] [--pack PACK.json]
ubertas prescribe CASE.json [--on 2027-03-01] [--pack PACK.json]
ubertas plan CASE.json [--year 2027] [--on 2027-03-01] [--pack PACK.json]
ubertas field CASE.json --date 2027-09-06 [--as-of 2027-09-06T06] [--forecast FILE.json] [--zone ID] [--days 14] [--operator ID] [--pack PACK.json]
ubertas ledger CASE.json [--year 2027] [--on 2027-09-10] [--zone ID] [--csv | --calendar]
ubertas replan CASE.json --date 2027-07-01 [--offer leave|mend|search] [--pack PACK.json]
ubertas merge CASE.json RETURN.json [RETURN.json ...]
ubertas batch REPORTS.csv [--grass ID] [--texture ID] [--unit ppm] [--method mehlich-3] [--buffer mehlich] [--on 2027-03-01] [--pack PACK.json]
ubertas pack CASE.json --from 2027-09-06 [--days 14] [--without-names]
ubertas pack diff OURS.json THEIRS.json
ubertas read REPORT.csv|.xlsx|.pdf|.txt [--layout LAYOUT.json] [--on 2027-03-01]
--on is the day of planning: reports are judged by their age on it (today, where it is not given), and days before it are past. No sample was taken after it: that tells days from months.
- stands for standard input.`;

const say = (value: unknown): void => void process.stdout.write(`${JSON.stringify(value, null, 2)}\n`);

class Refused extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.refused);
  }
}
function orRefuse<T>(value: T | Refusal): T {
  if (isRefusal(value)) throw new Refused(value);
  return value as T;
}

function readText(path: string): string {
  try {
    return readFileSync(path === '-' ? 0 : path, 'utf8');
  } catch {
    throw new Refused(refuse('file', `${path} cannot be read: check the name and that it may be opened.`));
  }
}

/** A case as it is stored: what its log says is not in its zones yet. */
function storedCase(path: string | undefined): Case {
  const given = orRefuse(checkCase(orRefuse(parseJson(readText(need(path, 'CASE.json')), path)).json));
  const wrong = refuseOutlines(given) ?? refuseLog(given);
  if (wrong) throw new Refused(wrong);
  return given;
}

function readCaseFile(path: string | undefined): Case {
  const given = withGiven(storedCase(path));
  for (const doubt of areaDoubts(given))
    process.stderr.write(`Caution: ${areaDoubtSays(doubt)}. Reckoned with the file’s area; one of the two is wrong.\n`);
  return given;
}

function need(value: string | undefined, what: string): string {
  if (value === undefined) throw new Refused(refuse('arguments', `${what} is missing.\n${USAGE}`));
  return value;
}

function reckoning(id: string) {
  const found = REGISTRY.get(id);
  if (!found)
    throw new Refused(
      refuse(
        'id',
        `There is no reckoning "${id}". The nearest is "${closest(id, [...REGISTRY.keys()])}"; \`list\` shows all.`,
      ),
    );
  return found;
}

const packsFrom = (paths: readonly string[]): RulePacks =>
  paths.reduce(
    (packs, path) => orRefuse(withPack(packs, orRefuse(parseJson(readText(path), path)).json)),
    BUILT_IN_PACKS,
  );

async function main(): Promise<void> {
  const { values, positionals } = parseArgs({
    args: process.argv.slice(2),
    allowPositionals: true,
    options: {
      school: { type: 'string' },
      pack: { type: 'string', multiple: true },
      year: { type: 'string' },
      grass: { type: 'string' },
      texture: { type: 'string' },
      unit: { type: 'string' },
      method: { type: 'string' },
      buffer: { type: 'string' },
      on: { type: 'string' },
      layout: { type: 'string' },
      date: { type: 'string' },
      'as-of': { type: 'string' },
      forecast: { type: 'string' },
      zone: { type: 'string' },
      days: { type: 'string' },
      operator: { type: 'string' },
      csv: { type: 'boolean' },
      calendar: { type: 'boolean' },
      offer: { type: 'string' },
      from: { type: 'string' },
      'without-names': { type: 'boolean' },
    },
  });
  const [command, first, second] = positionals;
  const packs = packsFrom(values.pack ?? []);
  const asOf = values.on;
  const readCase = (path: string | undefined): Case => {
    const given = readCaseFile(path);
    return given.products ? { ...given, products: [...byFineness(given.products, packs.fineness)] } : given;
  };
  if (asOf !== undefined && !isIsoDay(asOf))
    throw new Refused(refuse('on', `"${asOf}" is not a day: write it like 2027-03-01.`));
  // a file gives the same plan on any day unless a day is asked for; only the age of a report goes by the clock (A7)
  const judgedOn = asOf ?? dayjs().format('YYYY-MM-DD');
  switch (command) {
    case 'list':
      for (const { id, unit, title } of REGISTRY.values()) process.stdout.write(`${id}\t${unit}\t${title}\n`);
      return;
    case 'explain':
      process.stdout.write(handbookEntry(reckoning(need(first, 'ID'))));
      return;
    case 'reckon': {
      const source = need(second, "'JSON'");
      const { json } = orRefuse(parseJson(source === '-' ? readText('-') : source, 'The input'));
      say(orRefuse(explain(reckoning(need(first, 'ID')), json)));
      return;
    }
    case 'convert': {
      const [, value, from, to] = positionals;
      const number = Number(need(value, 'VALUE'));
      if (!Number.isFinite(number))
        throw new Refused(refuse('value', `"${value}" is not a number: write it like 2.5.`));
      say(
        orRefuse(explain(reckoning('unit.convert'), { value: number, from: need(from, 'FROM'), to: need(to, 'TO') })),
      );
      return;
    }
    case 'interpret': {
      const school = values.school as School | undefined;
      if (school && !SCHOOLS.includes(school))
        throw new Refused(
          refuse('school', `"${school}" is not a school of interpretation: use one of ${SCHOOLS.join(', ')}.`),
        );
      say(printInterpretation(readCase(first), { school, packs, asOf, judgedOn }));
      return;
    }
    case 'prescribe':
      say(printPrescription(readCase(first), { packs, asOf, judgedOn }));
      return;
    case 'plan': {
      const given = readCase(first);
      const year = Number(values.year ?? given.choices?.year ?? new Date().getFullYear());
      if (!Number.isInteger(year) || year < 1990 || year > 2200)
        throw new Refused(refuse('year', `"${values.year}" is not a year between 1990 and 2200.`));
      const since = performance.now();
      // loaded here, because no other command waits for a solver
      const highs = await (await import('highs')).default();
      say(
        printPlan(given, {
          year,
          packs,
          asOf,
          judgedOn,
          best: (file, plan, picked, locked) => planBest(highs, file, plan, { picked, locked, packs }),
          seconds: () => (performance.now() - since) / 1000,
        }),
      );
      return;
    }
    case 'field': {
      const given = readCase(first);
      const date = need(values.date, '--date');
      if (!isIsoDay(date)) throw new Refused(refuse('date', `"${date}" is not a day: write it like 2027-09-06.`));
      const hour = values['as-of'];
      if (hour !== undefined && !isIsoHour(hour))
        throw new Refused(refuse('as-of', `"${hour}" is not an hour: write it like 2027-09-06T06.`));
      const days = values.days === undefined ? undefined : Number(values.days);
      if (days !== undefined && (!Number.isInteger(days) || days < 0 || days > 366))
        throw new Refused(refuse('days', `"${values.days}" is not a count of days from 0 to 366.`));
      const forecast =
        values.forecast === undefined
          ? undefined
          : orRefuse(forecastOfFile(orRefuse(parseJson(readText(values.forecast), values.forecast)).json));
      say(
        printFieldDay(
          orRefuse(
            fieldDay(given, { date, hour, forecast, zoneId: values.zone, days, operatorId: values.operator, packs }),
          ),
        ),
      );
      return;
    }
    case 'ledger': {
      const given = readCase(first);
      const year = Number(values.year ?? judgedOn.slice(0, 4));
      if (!Number.isInteger(year) || year < 1900 || year > 2200)
        throw new Refused(refuse('year', `"${values.year}" is not a year between 1900 and 2200.`));
      if (values.zone !== undefined && !given.zones.some(({ id }) => id === values.zone))
        throw new Refused(refuse('zone', `There is no zone "${values.zone}" in the file.`));
      const { zone } = values;
      const ofYear = logLines(given).filter(
        ({ body }) => body.date.startsWith(`${year}-`) && (zone === undefined || body.zoneIds.includes(zone)),
      );
      const standing = ofYear.filter(({ record }) => !record.withdrawn);
      if (values.csv)
        process.stdout.write(printLogCsv(standing.sort((a, b) => a.body.date.localeCompare(b.body.date))));
      else if (values.calendar)
        process.stdout.write(printLogCalendar(ofYear, given.property.name, dayjs().format('YYYY-MM-DDTHH:mm:ssZ')));
      else say(printLedger(given, { year, today: judgedOn, zoneId: values.zone }));
      return;
    }
    case 'replan': {
      const given = readCase(first);
      const date = need(values.date, '--date');
      if (!isIsoDay(date)) throw new Refused(refuse('date', `"${date}" is not a day: write it like 2027-07-01.`));
      const offer = OFFER_IDS.find((id) => id === values.offer);
      if (values.offer !== undefined && offer === undefined)
        throw new Refused(refuse('offer', `"${values.offer}" is no offer: use one of ${OFFER_IDS.join(', ')}.`));
      const highs = await (await import('highs')).default();
      say(
        orRefuse(
          printReplan(given, {
            date,
            packs,
            offer,
            best: (file, draft, wishes) => planBest(highs, file, draft, { ...wishes, packs }),
          }),
        ),
      );
      return;
    }
    case 'merge': {
      const given = storedCase(first);
      const [, , ...returns] = positionals;
      need(returns[0], 'RETURN.json');
      const files = returns.map((path) => orRefuse(checkLogFile(orRefuse(parseJson(readText(path), path)).json)));
      say(mergedLogs(given, files));
      return;
    }
    case 'pack': {
      if (first !== 'diff') {
        const from = need(values.from, '--from');
        if (!isIsoDay(from)) throw new Refused(refuse('from', `"${from}" is not a day: write it like 2027-09-06.`));
        const days = Number(values.days ?? 14);
        const madeAt = dayjs().format('YYYY-MM-DDTHH:mm:ssZ');
        say(orRefuse(packOf(readCase(first), { from, days, madeAt, withoutNames: values['without-names'] ?? false })));
        return;
      }
      const [, , ours, theirs] = positionals;
      const pack = (path: string | undefined, what: string) =>
        orRefuse(checkPack(orRefuse(parseJson(readText(need(path, what)), path)).json));
      say(orRefuse(packDifferences(pack(theirs, 'THEIRS.json'), pack(ours, 'OURS.json'))));
      return;
    }
    case 'read': {
      const path = need(first, 'REPORT');
      const answers =
        values.layout === undefined
          ? {}
          : orRefuse(answersFrom(orRefuse(parseJson(readText(values.layout), values.layout)).json));
      const printed = orRefuse(await readReportFile(path, answers, judgedOn));
      for (const piece of readingAsJson(printed)) if (!process.stdout.write(piece)) await once(process.stdout, 'drain');
      return;
    }
    case 'batch': {
      const path = need(first, 'REPORTS.csv');
      const source = path === '-' ? process.stdin : createReadStream(path, { highWaterMark: 256 * 1024 });
      const { samples, refused } = await runBatch(
        source,
        process.stdout,
        (line) => void process.stderr.write(`${line}\n`),
        {
          grass: values.grass,
          texture: values.texture,
          unit: values.unit,
          method: values.method,
          bufferMethod: values.buffer,
          packs,
          judgedOn,
        },
      );
      process.stderr.write(`${samples} samples read, ${refused} rows refused\n`);
      return;
    }
    default:
      throw new Refused(
        refuse('command', command === undefined ? USAGE : `There is no command "${command}".\n${USAGE}`),
      );
  }
}

main().catch((fault: unknown) => {
  const known = fault instanceof Refused ? fault.refusal : (fault as { refusal?: Refusal }).refusal;
  const argument = (fault as { code?: string }).code;
  if (known) say(known);
  else if (argument?.startsWith('ERR_PARSE_ARGS')) say(refuse('arguments', (fault as Error).message));
  else if (argument === 'ENOENT' || argument === 'EISDIR' || argument === 'EACCES')
    say(refuse('file', `The file cannot be read: ${(fault as Error).message}.`));
  else {
    process.stderr.write(`${(fault as Error).stack ?? String(fault)}\n`);
    process.exitCode = 1;
    return;
  }
  process.exitCode = 2;
});
