import { Button } from 'antd';
import { Link } from 'react-router';
import type { Case } from '@core/records/case';
import type { RulePacks } from '@core/packs/rule-packs';
import { grassOf } from '@core/packs/grasses';
import { checkZonePlan } from '@core/season/checks/check-plan';
import type { SeasonPlan } from '@core/season/plan/season-plan';
import { sayDate } from '@core/words/days';
import { exportProperty } from '../../storage/case-files';
import { StageGlyph, StandingGlyph, StopGlyph } from '../../ui/glyphs';
import { saveTextFile } from '../../ui/save-text-file';
import { useUnits } from '../../ui/format';
import { faultSays } from '../../work/stage-fault';
import { workOf } from '../../work/property-work';
import { Said, Substances } from '../../ui/substance';
import { amountOf } from '../../work/amount-out';
import { showAmount, unitFor } from '../../work/dose-words';
import { MiniSeason } from './mini-season';

/** A property with its reckoned season. */
export interface Row {
  file: Case;
  season: SeasonPlan;
}

/** A property reckoned for the list, or the fault that kept it from being: one must not take the others with it. */
export function reckonedRow(file: Case, today: string, packs?: RulePacks): Row | { file: Case; error: unknown } {
  try {
    return { file, season: workOf(file, today, null, packs).season };
  } catch (error) {
    return { file, error };
  }
}

/** A property that could not be reckoned: its name, what is safe, and a way to take its records out. */
export function BrokenRow({ file, error }: { file: Case; error: unknown }) {
  const { id, name } = file.property;
  const save = async () => {
    const source = await exportProperty(id);
    if (source !== undefined) saveTextFile(`${id}.ubertas-case.json`, source, 'application/json');
  };
  return (
    <li className="prop">
      <div className="names">
        <h2>{name}</h2>
      </div>
      <div className="fault" role="alert">
        <StopGlyph /> {faultSays(error, name)} <Button onClick={() => void save()}>Export</Button>
      </div>
    </li>
  );
}

function flagOf({ file, season }: Row): { standing: 'fail' | 'warn' | 'pass' | 'empty'; word: string; says: string } {
  if (file.zones.length === 0) return { standing: 'empty', word: 'New', says: 'measure the ground' };
  const untested = season.zones.filter((z) => !z.read).length;
  const checks = season.zones.flatMap((z) => (z.season ? checkZonePlan(z, file, season) : []));
  const fail = checks.find((c) => c.standing === 'fail');
  if (fail) return { standing: 'fail', word: 'Check fails', says: fail.title };
  if (untested > 0)
    return {
      standing: 'empty',
      word: 'No report',
      says:
        untested === season.zones.length
          ? 'nitrogen only until a sample is read'
          : `${untested} of ${season.zones.length} zones untested`,
    };
  const doubts = season.zones.reduce((n, z) => n + (z.read?.doubts.length ?? 0), 0);
  if (doubts > 0)
    return { standing: 'warn', word: `${doubts} ${doubts === 1 ? 'doubt' : 'doubts'}`, says: 'about the report' };
  const warn = checks.find((c) => c.standing === 'warn');
  if (warn) return { standing: 'warn', word: 'Look', says: warn.title };
  return { standing: 'pass', word: 'In order', says: 'all checks pass' };
}

/** One property of the list: its year in small, what goes down next, how it stands. */
export function PropertyRow({ row, today, onRemove }: { row: Row; today: string; onRemove: () => void }) {
  const { file, season } = row;
  const { property, zones } = file;
  const units = useUnits();
  const grasses = [...new Set(zones.map((z) => grassOf(z.grass).name))].join(', ');
  const doses = season.zones.flatMap((z) => z.doses).sort((a, b) => a.date.localeCompare(b.date));
  const next = doses.find((d) => d.date >= today) ?? doses[0];
  const flag = flagOf(row);
  const product = file.products?.find((p) => p.id === next?.productId);
  return (
    <li className="prop">
      <div className="names">
        <h2>
          <Link to={`/property/${property.id}/${zones.length === 0 ? 'ground' : 'season'}`}>{property.name}</Link>
        </h2>
        <p className="small">{grasses || 'no grass yet'}</p>
        <p className="small">
          {zones.length} {zones.length === 1 ? 'zone' : 'zones'},{' '}
          {units.say(
            'area',
            zones.reduce((sum, z) => sum + z.areaSqFt, 0),
          )}
        </p>
        <button type="button" className="link small removing" onClick={onRemove} aria-label={`Delete ${property.name}`}>
          Delete
        </button>
      </div>
      <MiniSeason
        season={season}
        today={today}
        emptySays={zones.length === 0 ? 'no zone yet: measure the ground' : 'no climate yet'}
      />
      <div className="due">
        {next && (
          <>
            <b>{sayDate(next.date)}</b>
            <p className="small">
              {zones.find((z) => z.id === next.zoneId)?.name},{' '}
              <b className="inline">
                {showAmount(next, units)} <Substances text={unitFor(next, units)} />
              </b>
            </p>
            <p className="small">{amountOf(units, product, product?.name.toLowerCase()).say(next.zoneLb)}</p>
          </>
        )}
      </div>
      <div className="flag">
        {flag.standing === 'empty' ? <StageGlyph state="empty" /> : <StandingGlyph standing={flag.standing} />}
        <p className="small">
          <b>{flag.word}</b>
          <br />
          <Said text={flag.says} />
        </p>
      </div>
    </li>
  );
}
