import './prescribe.css';
import { App, Button } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { useKey } from '../../ui/keys';
import { Link, useLocation, useSearchParams } from 'react-router';
import type { PlannedFor } from '@core/records/case';
import { codeYearCap } from '@core/season/rules/local-codes';
import { type SwitchableLine } from '@core/prescription/prescribe-nitrogen';
import { otherSchoolAnswers } from '@core/prescription/school-answers';
import { choiceKey } from '@core/season/plan/season-plan';
import { LATE_SEASON_SCHOOLS, POTASSIUM_SCHOOLS } from '@core/season/rules/practice-schools';
import { showExact } from '@core/words/numbers';
import { WarnGlyph } from '../../ui/glyphs';
import { makePdf } from '../../ui/make-pdf';
import { saveFile } from '../../ui/save-text-file';
import { nextSchool, SchoolChoice, schoolName } from '../../ui/school-choice';
import { orFault } from '../../work/or-fault';
import { usePropertyWork } from '../../work/property-work';
import { zoneFacts } from '../../work/zone-facts';
import type { Route } from './+types/prescribe';
import { AllZones } from './all-zones';
import { CopyModal } from './overrides/copy-modal';
import { Amount, comesAlong, DoseList, Line, type OwnAsk, OwnButton } from './lines/line';
import { NitrogenWalk } from './lines/nitrogen-walk';
import { NutrientLine } from './lines/nutrient-line';
import { OtherLines } from './lines/other-lines';
import { OverrideModal } from './overrides/override-modal';
import { PhSection } from './lines/ph-section';
import { act, type Answer, type Sent } from './prescribe-action';
import { prescriptionDocument } from './prescription-pdf';
import { Schools } from './lines/practice-schools';
import { YearMargin } from './year-margin';
import { StageFault } from '../../work/stage-fault';
import { received, type Shapes, useSend } from '../../work/send';

const SHAPES: Shapes<Sent> = {
  switch: { zoneId: 'text', line: 'text', on: 'yes' },
  own: { zoneId: 'text', line: 'text', typed: 'record' },
  'drop-own': { zoneId: 'text', line: 'text' },
  copy: { zoneId: 'text', fromName: 'text', lines: 'list', reason: 'text', by: 'text?' },
  'put-back': { zones: 'list' },
  choice: { change: 'record' },
  product: { choices: 'record' },
};

export async function clientAction({ request, params }: Route.ClientActionArgs): Promise<Answer> {
  const sent = await received(request, SHAPES);
  return orFault(() => act(sent, params.propertyId));
}

export default function Prescribe() {
  const work = usePropertyWork();
  const { zone, zoneSeason, file, today, season } = work;
  const { fetcher, send } = useSend<Sent, Answer>();
  const [search, setSearch] = useSearchParams();
  const { search: query } = useLocation();
  const { message } = App.useApp();
  const [asking, setAsking] = useState<OwnAsk>();
  const [copying, setCopying] = useState(false);
  const facts = useMemo(() => zone && zoneFacts(work, zone), [work, zone]);
  const answers = useMemo(() => (facts ? otherSchoolAnswers(facts) : []), [facts]);
  const school = file.choices?.school ?? 'sufficiency';
  const sending = fetcher.json as Sent | undefined;
  const answer = fetcher.state === 'idle' ? fetcher.data : undefined;
  useEffect(() => {
    if (answer?.faults?.storage) void message.error(answer.faults.storage);
  }, [answer, message]);
  useKey('next-school', () => send({ intent: 'choice', change: { school: nextSchool(school) } }), [school]);
  useKey('print', () => window.print());
  if (!zone || !zoneSeason || !facts)
    return (
      <div className="empty">
        <p>Nothing to prescribe for yet: measure a zone in Ground, then type its report in Read.</p>
      </div>
    );
  const all = search.get('view') === 'all';
  const show = (view: 'all' | undefined) =>
    setSearch((before) => {
      if (view) before.set('view', view);
      else before.delete('view');
      return before;
    });
  const { prescription, read, doses } = zoneSeason;
  const { ph, nitrogen } = prescription;
  const of = (purpose: PlannedFor) => doses.filter((dose) => dose.for === purpose);
  const lastBy = file.zones.flatMap((each) => each.own ?? []).at(-1)?.by ?? '';
  const pdf = async (zones = [zoneSeason]) =>
    saveFile(
      await makePdf(
        prescriptionDocument(file.property, zones, today),
        `prescription-${zones.length > 1 ? file.property.id : zone.id}.pdf`,
      ),
    );
  if (all)
    return (
      <div className="rx">
        <div className="pagehead">
          <h1>Every zone</h1>
          <span className="small">
            {file.zones.length} zones, by {schoolName(school).toLowerCase()}
          </span>
          <span className="sp" />
          <Button onClick={() => void pdf(season.zones)}>PDF of every zone</Button>
          <Button onClick={() => show(undefined)}>Back to {zone.name}</Button>
        </div>
        <AllZones zones={season.zones} />
      </div>
    );
  const owns = zone.own?.length ?? 0;
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
        {!prescription.tested && (
          <p className="caution stopgapnote">
            <WarnGlyph />
            <span>
              <b>Stopgap</b> No soil test: nitrogen by the grass alone. No P<sub>2</sub>O<sub>5</sub>, K<sub>2</sub>O,
              lime or sulfur until a sample is read.{' '}
              <Link className="link" to={{ pathname: '../read', search: query }}>
                Type its report
              </Link>
            </span>
          </p>
        )}
        <div className="rxline head" aria-hidden="true">
          <span>Judged in order</span>
          <span>Per 1000 sq ft</span>
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
        />
        <Line
          at={2}
          name="Nitrogen"
          className="is-walk"
          own={nitrogen.own}
          verdict="For the year"
          figure={
            <>
              <Amount
                figure={nitrogen.year}
                substance="N"
                show={(v) => showExact(v, 3)}
                own={nitrogen.own}
                byRule={nitrogen.byRule}
              />
              <OwnButton
                ask={{
                  line: 'nitrogen',
                  name: 'nitrogen for the year',
                  unit: 'lb N per 1000',
                  rule: (nitrogen.byRule ?? nitrogen.year).value,
                  own: nitrogen.own,
                }}
                onAsk={setAsking}
              />
            </>
          }
          doses={<DoseList doses={of('N')} after={comesAlong(doses, 'N', 'N')} />}
        >
          <NitrogenWalk
            nitrogen={nitrogen}
            ceilingLb={zoneSeason.grass.ceilingLb}
            codeLb={codeYearCap(file.codes ?? [])}
            switching={sending?.intent === 'switch' && sending.zoneId === zone.id ? sending : undefined}
            onSwitch={(line: SwitchableLine, on) => send({ intent: 'switch', zoneId: zone.id, line, on })}
          />
          {nitrogen.note && <p className="small">{nitrogen.note}</p>}
          {zone.lastYearNitrogenLb !== undefined && (
            <p className="small">
              Last year {showExact(zone.lastYearNitrogenLb)} lb N per 1000 were given, by your own count; this year is
              reckoned anew.
            </p>
          )}
          {zoneSeason.grass.season === 'cool' && (
            <Schools
              title="The end of the year, by schools"
              schools={LATE_SEASON_SCHOOLS}
              chosen={file.choices?.lateSeason}
            />
          )}
        </Line>
        <NutrientLine
          at={3}
          name="Phosphorus"
          sold="P2O5"
          schooled="phosphorus"
          line={prescription.phosphorus}
          doses={of('P2O5')}
          along={comesAlong(doses, 'P2O5', 'P2O5')}
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
          along={comesAlong(doses, 'K2O', 'K2O')}
          rides="comes with the nitrogen"
          answers={answers}
          onAsk={setAsking}
        />
        {prescription.tested && (
          <div className="rxextra no-print">
            <span className="small">
              Root zone of 4 in for P, K, Mg and S:{' '}
              <OwnButton
                ask={{
                  line: 'root-zone',
                  name: 'the root zone',
                  unit: 'in',
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
          along={comesAlong(doses, 'Mg', undefined)}
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
          along={comesAlong(doses, 'S-combined', undefined)}
          rides="rides with a sulfate"
          answers={answers}
          caution={
            prescription.sulfur.yearLb > 0 && ph.action !== 'sulfur'
              ? 'Combined sulfur only: free sulfur would lower pH.'
              : undefined
          }
          onAsk={setAsking}
        />
        <OtherLines at={7} facts={facts} read={read} />
      </div>
      <YearMargin onCopy={() => setCopying(true)} onPdf={() => void pdf()} />
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
