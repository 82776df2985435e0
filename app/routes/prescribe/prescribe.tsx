import './prescribe.css';
import { newId } from '@core/records/new-id';
import { Button } from 'antd';
import type { PlannedFor } from '@core/records/case';
import { choiceKey } from '@core/season/plan/season-plan';
import { POTASSIUM_SCHOOLS } from '@core/season/rules/practice-schools';
import { useUnits } from '../../ui/format';
import { SchoolChoice, schoolName } from '../../ui/school-choice';
import type { Shapes } from '../../work/send';
import { propertyAction } from '../../work/property-action';
import { StageFault } from '../../work/stage-fault';
import type { Route } from './+types/prescribe';
import { AllZones } from './all-zones';
import { comesAlong, waiting, OwnButton } from './lines/line';
import { NitrogenLine } from './lines/nitrogen-line';
import { NutrientLine } from './lines/nutrient-line';
import { LaboratoryAdvice } from './lines/laboratory-advice';
import { OtherLines } from './lines/other-lines';
import { PhSection } from './lines/ph-section';
import { Schools } from './lines/practice-schools';
import { StopgapNote } from './lines/stopgap-note';
import { CopyModal } from './overrides/copy-modal';
import { OverrideModal } from './overrides/override-modal';
import { act, type Answer, type Sent } from './prescribe-action';
import type { OwnLine } from '@core/records/case';
import { usePrescribe } from './use-prescribe';
import { YearMargin } from './year-margin';

const SHAPES: Shapes<Sent> = {
  switch: { zoneId: 'text', line: 'text', on: 'yes' },
  own: { zoneId: 'text', line: 'text', typed: 'record' },
  'drop-own': { zoneId: 'text', line: 'text' },
  copy: { zoneId: 'text', fromName: 'text', lines: 'list', reason: 'text', by: 'text?' },
  choice: { change: 'record' },
  product: { choices: 'record' },
};

export const clientAction = propertyAction<Sent, Answer>(SHAPES, act);

export default function Prescribe() {
  const units = useUnits();
  const { work, fetcher, send, sending, facts, answers, school, ...page } = usePrescribe();
  const { asking, setAsking, copying, setCopying, all, show, pdf } = page;
  const { zone, zoneSeason, file, season } = work;
  if (!zone || !zoneSeason || !facts)
    return (
      <div className="empty">
        <p>Nothing to prescribe for yet: measure a zone in Ground, then type its report in Read.</p>
      </div>
    );
  const { prescription, read, doses } = zoneSeason;
  const { ph } = prescription;
  const of = (purpose: PlannedFor) => doses.filter((dose) => dose.for === purpose);
  const lastBy = file.zones.flatMap((each) => each.own ?? []).at(-1)?.by ?? '';
  if (all)
    return (
      <div className="rx">
        <div className="pagehead">
          <h1>Every zone</h1>
          <span className="small">
            {file.zones.length} zones, by {schoolName(school).toLowerCase()}
          </span>
          <span className="sp" />
          <Button onClick={() => void pdf(newId(file.property.name, []), season.zones)}>PDF of every zone</Button>
          <Button onClick={() => show(undefined)}>Back to {zone.name}</Button>
        </div>
        <AllZones zones={season.zones} />
      </div>
    );
  const owns = zone.own?.length ?? 0;
  const take = (line: OwnLine, value: number, reason: string) =>
    send({ intent: 'own', zoneId: zone.id, line, typed: { value: String(value), reason, by: lastBy } });
  return (
    <div className="body rx">
      <div>
        <div className="pagehead">
          <h1>Prescription</h1>
          <span className="small">
            {zone.name}, {zoneSeason.grass.name}
            {owns > 0 && `, ${owns} own ${owns === 1 ? 'figure' : 'figures'}`}
          </span>
          <span className="sp" />
          {file.zones.length > 1 && <Button onClick={() => show('all')}>Every zone</Button>}
          <SchoolChoice school={school} onChoose={(to) => send({ intent: 'choice', change: { school: to } })} />
          <span className="print-only">By {schoolName(school).toLowerCase()}.</span>
        </div>
        {!prescription.tested && <StopgapNote />}
        <div className="rxline head" aria-hidden="true">
          <span>Judged in order</span>
          <span>{units.perArea('nutrient-rate')}</span>
          <span>Doses, and when</span>
          <span>What it comes from</span>
          <span className="others">
            {answers.map(({ school: other }) => (
              <span key={other}>{{ sufficiency: 'Suffic.', minimum: 'Minimum', saturation: 'Base sat.' }[other]}</span>
            ))}
          </span>
        </div>
        <PhSection
          zoneSeason={zoneSeason}
          facts={facts}
          schools={answers.map((each) => each.school)}
          onAsk={setAsking}
          onLime={(id) => send({ intent: 'product', choices: { [choiceKey(zone.id, 'lime')]: id } })}
          onHighPh={(highPh) => send({ intent: 'choice', change: { highPh } })}
          onTake={take}
        />
        <NitrogenLine
          zone={zone}
          zoneSeason={zoneSeason}
          codes={file.codes ?? []}
          lateSeason={file.choices?.lateSeason}
          switching={sending?.intent === 'switch' && sending.zoneId === zone.id ? sending : undefined}
          onSwitch={(line, on) => send({ intent: 'switch', zoneId: zone.id, line, on })}
          year={work.year}
          advice={
            <LaboratoryAdvice
              line="nitrogen"
              advice={prescription.labAdvice}
              taken={prescription.nitrogen.year.value}
              onTake={take}
            />
          }
          onShare={(coolSeason) => send({ intent: 'choice', change: { coolSeason } })}
          onAsk={setAsking}
        />
        <NutrientLine
          at={3}
          name="Phosphorus"
          sold="P2O5"
          schooled="phosphorus"
          line={prescription.phosphorus}
          doses={of('P2O5')}
          along={comesAlong(doses, 'P2O5', 'P2O5', units)}
          advice={
            <LaboratoryAdvice
              line="phosphorus"
              advice={prescription.labAdvice}
              taken={prescription.phosphorus.yearLb}
              onTake={take}
            />
          }
          answers={answers}
          onAsk={setAsking}
        />
        <NutrientLine
          at={4}
          name="Potassium"
          sold="K2O"
          schooled="potassium"
          line={prescription.potassium}
          doses={of('K2O')}
          along={comesAlong(doses, 'K2O', 'K2O', units) ?? waiting(zoneSeason, 'K2O', units)}
          advice={
            <LaboratoryAdvice
              line="potassium"
              advice={prescription.labAdvice}
              taken={prescription.potassium.yearLb}
              onTake={take}
            />
          }
          rides="comes with the nitrogen"
          answers={answers}
          onAsk={setAsking}
        />
        {prescription.tested && (
          <div className="rxextra no-print">
            <span className="small">
              Root zone of {units.said('4 in')} for P, K, Mg and S:{' '}
              <OwnButton
                ask={{
                  line: 'root-zone',
                  name: 'the root zone',
                  unit: units.unit('depth'),
                  quantity: 'depth',
                  rule: 4,
                  own: zone.own?.find((own) => own.line === 'root-zone'),
                }}
                onAsk={setAsking}
              />
            </span>
            {zoneSeason.grass.season === 'warm' && (
              <Schools title="Potash, by schools" schools={POTASSIUM_SCHOOLS} chosen={file.choices?.potassium} />
            )}
          </div>
        )}
        <NutrientLine
          at={5}
          name="Magnesium"
          sold="Mg"
          schooled="magnesium"
          line={prescription.magnesium}
          doses={[]}
          along={comesAlong(doses, 'Mg', undefined, units)}
          rides={ph.action === 'lime' ? 'with dolomitic lime' : 'with potash-magnesia'}
          answers={answers}
          onAsk={setAsking}
        />
        <NutrientLine
          at={6}
          name="Sulfur"
          sold="S, combined"
          schooled="sulfur"
          line={prescription.sulfur}
          doses={[]}
          along={comesAlong(doses, 'S-combined', undefined, units)}
          rides="rides with a sulfate"
          answers={answers}
          caution={
            prescription.sulfur.yearLb > 0 && ph.action !== 'sulfur'
              ? 'Combined sulfur only: free sulfur would lower pH.'
              : undefined
          }
          onAsk={setAsking}
        />
        <OtherLines at={7} prescription={prescription} read={read} doses={doses} onAsk={setAsking} />
      </div>
      <YearMargin onCopy={() => setCopying(true)} onPdf={() => void pdf(zone.id, [zoneSeason])} />
      {asking && (
        <OverrideModal
          key={asking.line}
          ask={asking}
          zoneId={zone.id}
          by={lastBy}
          onClose={() => setAsking(undefined)}
        />
      )}
      {copying && <CopyModal work={work} from={zone} by={lastBy} fetcher={fetcher} onClose={() => setCopying(false)} />}
    </div>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Prescribe" />;
}
