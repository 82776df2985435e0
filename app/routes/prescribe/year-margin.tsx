import { Button } from 'antd';
import { Link, useLocation } from 'react-router';
import { grassIn } from '@core/packs/rule-packs';
import { codeYearCap } from '@core/season/rules/local-codes';
import type { Figure } from '@core/reckoning/figure';
import { differencesOf } from '@core/prescription/copy-prescription';
import { latestTest } from '@core/soil/report';
import type { ZoneSeason } from '@core/season/plan/season-plan';
import { CheckList } from '../../ui/check-list';
import { Fig } from '../../ui/fig';
import { fixed, trimmed, two } from '@core/words/numbers';
import { type QuantityId, useUnits } from '../../ui/format';
import { sayDay } from '@core/words/days';
import { WarnGlyph } from '../../ui/glyphs';
import { Said, Substances } from '../../ui/substance';
import { usePropertyWork } from '../../work/use-property-work';
import { placeHash } from '../../ui/place';

interface Total {
  name: string;
  substance: string;
  figure?: Figure;
  value: number;
  quantity: QuantityId;
}

function totalsOf({ prescription }: ZoneSeason): Total[] {
  const { ph, nitrogen, phosphorus, potassium, magnesium, sulfur } = prescription;
  const rows: Total[] = [
    { name: 'Nitrogen', substance: 'N', figure: nitrogen.year, value: nitrogen.year.value, quantity: 'nutrient-rate' },
    {
      name: 'Phosphate',
      substance: 'P2O5',
      figure: phosphorus.year,
      value: phosphorus.yearLb,
      quantity: 'nutrient-rate',
    },
    { name: 'Potash', substance: 'K2O', figure: potassium.year, value: potassium.yearLb, quantity: 'nutrient-rate' },
    { name: 'Magnesium', substance: 'Mg', figure: magnesium.year, value: magnesium.yearLb, quantity: 'nutrient-rate' },
    { name: 'Sulfur, combined', substance: 'S', figure: sulfur.year, value: sulfur.yearLb, quantity: 'nutrient-rate' },
  ];
  if (ph.action === 'lime' || ph.action === 'sulfur')
    rows.unshift({
      name: ph.action === 'lime' ? 'Lime' : 'Sulfur, free',
      substance: ph.action === 'lime' ? 'lime' : 'S',
      figure: ph.material,
      value: ph.material?.value ?? 0,
      quantity: ph.action === 'lime' ? 'product-rate' : 'nutrient-rate',
    });
  return rows;
}

interface Found {
  standing: 'pass' | 'warn' | 'fail';
  title: string;
  found: string;
  says?: string;
}

/** What the prescription itself must keep to, overrides included; the plan's rules are checked in Season. */
function checksOf({ prescription, zone, grass }: ZoneSeason, codeLb: number | undefined): Found[] {
  const { nitrogen, phosphorus, potassium, ph } = prescription;
  const ceiling = grass.ceilingLb;
  const most = Math.min(ceiling, codeLb ?? Infinity);
  const limit = most === codeLb ? 'local code' : 'ceiling of the grass';
  const owns = (zone.own ?? []).length;
  const checks: Found[] = [
    {
      standing: nitrogen.year.value > most + 1e-9 ? 'warn' : 'pass',
      title: 'Nitrogen, year',
      found: `${trimmed(nitrogen.year.value, 2)} of ${trimmed(most, 4)} lb N`,
      says: nitrogen.year.value > most + 1e-9 ? `Above the ${limit}, by an override.` : undefined,
    },
    {
      standing: potassium.yearLb > nitrogen.year.value + 1e-9 && potassium.level !== 'very-low' ? 'warn' : 'pass',
      title: 'K2O not above N',
      found: `${two(potassium.yearLb)} lb K2O`,
      says:
        potassium.yearLb > nitrogen.year.value + 1e-9 ? 'More potash than nitrogen on established turf.' : undefined,
    },
    {
      standing:
        phosphorus.yearLb > 0 && (phosphorus.level === 'high' || phosphorus.level === 'enough') ? 'warn' : 'pass',
      title: 'Phosphorus',
      found: phosphorus.yearLb > 0 ? `${two(phosphorus.yearLb)} lb P2O5` : 'none',
      says:
        phosphorus.yearLb > 0 && (phosphorus.level === 'high' || phosphorus.level === 'enough')
          ? 'The test asks for none.'
          : undefined,
    },
  ];
  const dose = Math.max(0, ...ph.doses);
  if (dose > 0)
    checks.push({
      standing: 'pass',
      title: ph.action === 'lime' ? 'Lime dose' : 'Sulfur dose',
      found: `${fixed(dose, dose < 10 ? 2 : 1)} lb ${ph.action === 'lime' ? 'lime' : 'S'}, ${ph.doses.length === 1 ? 'once' : `${ph.doses.length} times`}`,
    });
  if (owns > 0)
    checks.unshift({
      standing: 'warn',
      title: owns === 1 ? 'One override' : `${owns} overrides`,
      found: '',
      says: 'They print on every sheet with their reasons, the rule’s beside them.',
    });
  return checks.sort((a, b) => Number(a.standing === 'pass') - Number(b.standing === 'pass'));
}

/** The year of the zone in pounds, its checks, and the way on. */
export function YearMargin({ onCopy, onPdf }: { onCopy: () => void; onPdf: () => void }) {
  const units = useUnits();
  const work = usePropertyWork();
  const { zone, zoneSeason, file, today } = work;
  const { hash } = useLocation();
  if (!zone || !zoneSeason) return null;
  const tests = file.soilTests ?? [];
  const others = file.zones.filter((each) => each.id !== zone.id);
  const next = zoneSeason.doses.find((dose) => dose.date >= today) ?? zoneSeason.doses[0];
  const trips = new Set(zoneSeason.doses.map((dose) => dose.date)).size;
  return (
    <aside className="margin rxmargin">
      <h2>For the year, {zone.name}</h2>
      <p className="small">
        per {units.areaOf('nutrient-rate')} of {units.say('area', zone.areaSqFt)}
        {trips > 0 && `, ${trips} ${trips === 1 ? 'trip' : 'trips'}`}
      </p>
      <ul className="totals">
        {totalsOf(zoneSeason).map(({ name, substance, figure, value, quantity }) => (
          <li key={name}>
            {name} <span className="leader" />
            {figure && value > 0 ? <Fig figure={figure} show={(lb) => units.show(quantity, lb)} /> : <span>none</span>}
            <span className="small">
              <Substances text={units.short(quantity, substance)} />
            </span>
          </li>
        ))}
      </ul>
      <p className="links no-print">
        <Link to={{ pathname: 'match', hash }} relative="path">
          <Button type="primary" tabIndex={-1}>
            Match the shelf{next && ` for ${sayDay(next.date)}`}
          </Button>
        </Link>
        <Link to={{ pathname: 'bag', hash }} relative="path">
          <Button tabIndex={-1}>Check a bag</Button>
        </Link>
        <Link to={{ pathname: '../season', hash }}>
          <Button tabIndex={-1}>Date the doses</Button>
        </Link>
      </p>
      {zoneSeason.prescription.refusals.map((refusal) => (
        <p className="fault" key={refusal.refused}>
          <Said text={refusal.refused} />
        </p>
      ))}
      <h3>Checks</h3>
      <CheckList checks={checksOf(zoneSeason, codeYearCap(file.codes ?? []))} />
      {zoneSeason.prescription.cautions.map((sentence) => (
        <p className="caution small" key={sentence}>
          <WarnGlyph />
          <span>
            <b>Caution</b> <Said text={sentence} />
          </span>
        </p>
      ))}
      {others.length > 0 && (
        <>
          <h3>Other zones</h3>
          <ul className="totals">
            {others.map((other) => {
              const count = differencesOf(
                { zone, test: latestTest(tests, zone.id) },
                { zone: other, test: latestTest(tests, other.id) },
                work.packs,
              ).length;
              return (
                <li key={other.id}>
                  <Link className="link" to={{ hash: placeHash({ zone: other.id }) }}>
                    {other.name}
                  </Link>
                  <span className="leader" />
                  <span className="small">
                    {grassIn(work.packs, other.grass).name}, {count} {count === 1 ? 'difference' : 'differences'}
                  </span>
                </li>
              );
            })}
          </ul>
        </>
      )}
      <p className="links no-print">
        {others.length > 0 && <Button onClick={onCopy}>Copy to a zone</Button>}
        <Button onClick={() => window.print()}>
          Print <span className="kbd">P</span>
        </Button>
        <Button onClick={onPdf}>PDF</Button>
      </p>
    </aside>
  );
}
