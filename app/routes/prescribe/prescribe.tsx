import './prescribe.css';
import { Button } from 'antd';
import type { ReactNode } from 'react';
import { Link, useFetcher, useLocation } from 'react-router';
import type { PlannedFor } from '@core/formats/case';
import { zoneAmount } from '@core/field/zone-amount';
import { grassOf } from '@core/ground/grasses';
import { codeYearCap, type SwitchableLine } from '@core/nitrogen/zone-nitrogen';
import { type Figure, figureOf, traced } from '@core/prescription/figure';
import type { NutrientPrescription, PhPrescription } from '@core/prescription/prescription';
import { isRefusal } from '@core/reckoning/refusal';
import type { Dose } from '@core/season/dose';
import { levelInWords, type PhFinding } from '@core/soil/interpret';
import { loadProperty, saveZone } from '../../storage/property-repository';
import { Fig } from '../../ui/fig';
import { showDay, showExact, showPh, showProductRate, showRate, showWeight } from '../../ui/format';
import { ColumnGlyph, WarnGlyph } from '../../ui/glyphs';
import { Mark } from '../../ui/marks';
import { Substances } from '../../ui/substance';
import { Track } from '../../ui/track';
import { amountFor } from '../../work/dose-words';
import { usePropertyWork } from '../../work/property-work';
import type { Route } from './+types/prescribe';
import { NitrogenWalk } from './nitrogen-walk';

interface Sent {
  zoneId: string;
  line: string;
  on: boolean;
}

export async function clientAction({ request, params }: Route.ClientActionArgs) {
  const { zoneId, line, on } = (await request.json()) as Sent;
  const file = await loadProperty(params.propertyId);
  const zone = file?.zones.find((z) => z.id === zoneId);
  if (file && zone) {
    const off = new Set(zone.nitrogenOff ?? []);
    if (on) off.delete(line);
    else off.add(line);
    await saveZone(file.property.id, { ...zone, nitrogenOff: [...off] });
  }
  return {};
}

function Row({
  at,
  name,
  verdict,
  figure,
  children,
}: {
  at: number;
  name: string;
  verdict?: ReactNode;
  figure: ReactNode;
  children: ReactNode;
}) {
  return (
    <section className="prow" aria-label={name}>
      <div className="nm">
        <i aria-hidden="true">{at}</i>
        <h2>{name}</h2>
        {verdict && <p className="verdict">{verdict}</p>}
      </div>
      <div className="fig">{figure}</div>
      <div className="why">{children}</div>
    </section>
  );
}

/** The rate's total over the zone, itself openable. */
function ZoneTotal({ figure, substance }: { figure: Figure; substance: string }) {
  const { zone } = usePropertyWork();
  if (!zone) return null;
  const total = figureOf(
    zoneAmount,
    {
      ratePer1000Lb: traced(figure.value, figure.title.toLowerCase(), figure),
      areaSqFt: traced(zone.areaSqFt, `${zone.name}, measured`),
    },
    {
      title: `${figure.title}, whole zone`,
      unit: `lb ${substance} for ${zone.name}`,
      usedIn: 'Season: the doses of the zone add up to it.',
    },
  );
  if (isRefusal(total)) return null;
  return (
    <p>
      <Fig figure={total} show={showWeight} /> lb <Substances text={substance} /> here
    </p>
  );
}

function Amount({
  figure,
  substance,
  show = showRate,
}: {
  figure: Figure;
  substance: string;
  show?: (v: number) => string;
}) {
  return (
    <>
      <b>
        <Fig figure={figure} show={show} />
      </b>{' '}
      lb <Substances text={substance} />
      <ZoneTotal figure={figure} substance={substance} />
    </>
  );
}

function DoseList({ doses }: { doses: readonly Dose[] }) {
  if (doses.length === 0) return null;
  return (
    <ul className="doses">
      {doses.map((dose) => (
        <li key={dose.date + dose.productId}>
          <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
            <Mark purpose={dose.for} x={9} y={9} d={13} />
          </svg>
          <b>
            {showRate(amountFor(dose))} lb <Substances text={dose.for === 'sulfur' ? 'S' : dose.for} />
          </b>
          <span className="small">{showDay(dose.date)}</span>
        </li>
      ))}
    </ul>
  );
}

function PhWhy({ ph, finding, doses }: { ph: PhPrescription; finding?: PhFinding; doses: readonly Dose[] }) {
  return (
    <>
      {finding && (
        <div className="prx">
          <Track
            scale={{
              from: Math.min(4.5, finding.low - 1),
              enough: finding.low,
              high: finding.high,
              to: Math.max(8.5, finding.high + 0.5),
            }}
            value={finding.ph}
            shown={showPh(finding.ph)}
            width={352}
            label={finding.says}
            window={{ name: 'window', aim: ph.targetPh ?? finding.aim }}
          />
        </div>
      )}
      <p>{ph.says}</p>
      {ph.requirement && ph.requirement !== ph.material && (
        <p className="small">
          The method’s own lime: <Fig figure={ph.requirement} show={showWeight} />{' '}
          <Substances text={ph.requirement.unit.replace(' per 1000 ft2', ' per 1000')} />.
          {ph.dosesFigure && ph.doses.length > 1 && (
            <>
              {' '}
              Each dose <Fig figure={ph.dosesFigure} show={showWeight} /> lb lime.
            </>
          )}
        </p>
      )}
      <DoseList doses={doses} />
      <p className="small">{ph.retest}</p>
    </>
  );
}

const placeOf = (level: NutrientPrescription['level']) =>
  level === 'very-low' || level === 'low' ? 'low' : level === 'enough' || level === 'high' ? level : 'none';
const wordOf = (level: NutrientPrescription['level']) => (level === 'not-tested' ? 'not tested' : levelInWords(level));

function NutrientRow({
  at,
  name,
  sold,
  line,
  doses,
}: {
  at: number;
  name: string;
  sold: string;
  line: NutrientPrescription;
  doses: readonly Dose[];
}) {
  const given = line.year && line.yearLb > 0;
  return (
    <Row
      at={at}
      name={name}
      verdict={
        <>
          <ColumnGlyph place={placeOf(line.level)} /> <span className="cap">{wordOf(line.level)}</span>
        </>
      }
      figure={
        given && line.year ? (
          <Amount figure={line.year} substance={sold} />
        ) : (
          <>
            <b className="none">{line.level === 'not-tested' || line.level === 'unreadable' ? '—' : 'none'}</b>
            <p>
              {line.level === 'not-tested' ? (
                'not on a report'
              ) : line.level === 'unreadable' ? (
                'cannot be judged'
              ) : (
                <Substances text={`0 lb ${sold}`} />
              )}
            </p>
          </>
        )
      }
    >
      <p>
        <Substances text={line.says} />
      </p>
      <DoseList doses={doses} />
    </Row>
  );
}

export default function Prescribe() {
  const { zone, zoneSeason, file } = usePropertyWork();
  const fetcher = useFetcher();
  const { search } = useLocation();
  if (!zone || !zoneSeason)
    return (
      <div className="empty">
        <p>Nothing to prescribe for yet: measure a zone in Ground, then type its report in Read.</p>
      </div>
    );
  const { prescription, read, doses } = zoneSeason;
  const { ph, nitrogen } = prescription;
  const of = (purpose: PlannedFor) => doses.filter((d) => d.for === purpose);
  const others = file.zones.filter((z) => z.id !== zone.id);
  return (
    <div className="body rx">
      <div>
        <div className="pagehead">
          <h1>Prescription</h1>
          <span className="small">
            {zone.name}, {grassOf(zone.grass).name}
            {read ? ', by the sufficiency school' : ''}
          </span>
        </div>
        {!prescription.tested && (
          <p className="caution" style={{ margin: '0 var(--gutter) 10px' }}>
            <WarnGlyph />
            <span>
              <b>Stopgap</b> No soil test: nitrogen by the grass alone. No P<sub>2</sub>O<sub>5</sub>, K<sub>2</sub>O,
              lime or sulfur until a sample is read.{' '}
              <Link className="link" to={{ pathname: '../read', search }}>
                Type its report
              </Link>
            </span>
          </p>
        )}
        <div className="prow head" aria-hidden="true">
          <span>Judged in order</span>
          <span>Per 1000 sq ft</span>
          <span>What it comes from, and when it goes down</span>
        </div>
        <Row
          at={1}
          name="pH first"
          verdict={
            read?.ph && (
              <>
                <ColumnGlyph
                  place={read.ph.place === 'too-acid' ? 'low' : read.ph.place === 'inside' ? 'enough' : 'high'}
                />
                {{ 'too-acid': 'Too acid', inside: 'In the window', 'too-alkaline': 'Too alkaline' }[read.ph.place]}
              </>
            )
          }
          figure={
            ph.action === 'lime' && ph.material ? (
              <Amount figure={ph.material} substance="lime" show={showProductRate} />
            ) : ph.action === 'sulfur' && ph.requirement ? (
              <Amount figure={ph.requirement} substance="S" />
            ) : (
              <>
                <b className="none">{ph.action === 'leave' ? 'leave' : 'none'}</b>
                <p>no lime, no sulfur</p>
              </>
            )
          }
        >
          <PhWhy ph={ph} finding={read?.ph} doses={[...of('lime'), ...of('sulfur')]} />
        </Row>
        <Row
          at={2}
          name="Nitrogen"
          verdict="For the year"
          figure={<Amount figure={nitrogen.year} substance="N" show={(v) => showExact(v, 3)} />}
        >
          <NitrogenWalk
            nitrogen={nitrogen}
            ceilingLb={grassOf(zone.grass).ceilingLb}
            codeLb={codeYearCap(file.codes ?? [])}
            onSwitch={(line: SwitchableLine, on) =>
              void fetcher.submit({ zoneId: zone.id, line, on }, { method: 'post', encType: 'application/json' })
            }
          />
          {nitrogen.note && <p className="small">{nitrogen.note}</p>}
          {zone.lastYearNitrogenLb !== undefined && (
            <p className="small">
              Last year {showExact(zone.lastYearNitrogenLb)} lb N per 1000 were given, by your own count; this year is
              reckoned anew.
            </p>
          )}
          <DoseList doses={of('N')} />
        </Row>
        <NutrientRow at={3} name="Phosphorus" sold="P2O5" line={prescription.phosphorus} doses={of('P2O5')} />
        <NutrientRow at={4} name="Potassium" sold="K2O" line={prescription.potassium} doses={of('K2O')} />
        <NutrientRow at={5} name="Magnesium" sold="Mg" line={prescription.magnesium} doses={[]} />
        <NutrientRow at={6} name="Sulfur" sold="S, combined" line={prescription.sulfur} doses={[]} />
      </div>
      <aside className="margin">
        <h2>For the year, {zone.name}</h2>
        <ul className="totals">
          {[
            ['Nitrogen', nitrogen.year, 'N', nitrogen.year.value],
            ['Phosphorus', prescription.phosphorus.year, 'P2O5', prescription.phosphorus.yearLb],
            ['Potassium', prescription.potassium.year, 'K2O', prescription.potassium.yearLb],
            [
              ph.action === 'sulfur' ? 'Elemental sulfur' : 'Lime',
              ph.action === 'none' || ph.action === 'leave' ? undefined : ph.material,
              ph.action === 'sulfur' ? 'S' : 'lime',
              ph.material?.value ?? 0,
            ],
          ].map(([name, figure, substance, value]) => (
            <li key={String(name)}>
              {String(name)} <span className="leader" />
              {figure && Number(value) > 0 ? <Fig figure={figure as Figure} show={showRate} /> : <span>none</span>}
              <span className="small">
                lb <Substances text={String(substance)} />
              </span>
            </li>
          ))}
        </ul>
        {prescription.refusals.map((refusal) => (
          <p className="fault" key={refusal.refused}>
            {refusal.refused}
          </p>
        ))}
        {prescription.cautions.map((sentence) => (
          <p className="caution small" key={sentence} style={{ marginTop: 8 }}>
            <WarnGlyph />
            <span>
              <b>Caution</b> <Substances text={sentence} />
            </span>
          </p>
        ))}
        <p style={{ marginTop: 14 }}>
          <Link to={{ pathname: '../season', search }}>
            <Button type="primary" tabIndex={-1}>
              Date the doses
            </Button>
          </Link>{' '}
          <Button onClick={() => window.print()}>Print</Button>
        </p>
        {others.length > 0 && (
          <>
            <h2 style={{ marginTop: 20 }}>Other zones</h2>
            <ul className="totals">
              {others.map((z) => (
                <li key={z.id}>
                  <Link className="link" to={{ search: `?zone=${z.id}` }}>
                    {z.name}
                  </Link>
                  <span className="leader" />
                  <span className="small">{grassOf(z.grass).name}</span>
                </li>
              ))}
            </ul>
          </>
        )}
      </aside>
    </div>
  );
}
