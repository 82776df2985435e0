import type { Choices, OwnLine, PlannedFor } from '@core/records/case';
import { LaboratoryAdvice } from './laboratory-advice';
import { LedgerLines } from './ledger-lines';
import type { ZoneFacts } from '@core/prescription/zone-facts';
import type { ZoneSeason } from '@core/season/plan/season-plan';
import type { School } from '@core/soil/interpret';
import { useUnits } from '../../../ui/format';
import { Fig } from '../../../ui/fig';
import { ColumnGlyph } from '../../../ui/glyphs';
import { Said, Substances } from '../../../ui/substance';
import { Amount, DoseList, Line, type OwnAsk, OwnButton } from './line';
import { Acidifiers, Caution, HighPhSchools, HoldingPh, LimeMaterials, PhTrack } from './ph-line';

interface PhSectionProps {
  zoneSeason: ZoneSeason;
  facts: ZoneFacts;
  /** Schools beside the one in force; none of them has a rule on pH. */
  schools: readonly School[];
  onAsk: (ask: OwnAsk) => void;
  onLime: (productId: string) => void;
  onHighPh: (school: NonNullable<Choices['highPh']>) => void;
  onTake: (line: OwnLine, value: number, reason: string) => void;
}

/** pH first: lime, sulfur or leave it, by which method, with what, over how long. */
export function PhSection({ zoneSeason, facts, schools, onAsk, onLime, onHighPh, onTake }: PhSectionProps) {
  const units = useUnits();
  const { prescription, read, doses } = zoneSeason;
  const { zone } = facts;
  const { ph } = prescription;
  const of = (purpose: PlannedFor) => doses.filter((dose) => dose.for === purpose);
  const given = ph.action === 'lime' || ph.action === 'sulfur';
  const later = ph.doses.length - [...of('lime'), ...of('sulfur')].length;
  const method = ph.requirement ?? ph.byRule;
  return (
    <Line
      at={1}
      name="pH first"
      own={ph.own}
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
        <>
          {given && ph.material ? (
            <Amount
              figure={ph.material}
              substance={ph.action === 'lime' ? 'lime' : 'S'}
              quantity={ph.action === 'lime' ? 'product-rate' : 'nutrient-rate'}
              own={ph.own}
              byRule={ph.byRule}
            />
          ) : (
            <>
              <b className="none">{ph.action === 'leave' ? 'leave' : 'none'}</b>
              <p>no lime, no sulfur</p>
            </>
          )}
          {read?.ph && (
            <OwnButton
              ask={{
                line: read.ph.place === 'too-alkaline' ? 'free-sulfur' : 'lime',
                name: read.ph.place === 'too-alkaline' ? 'free sulfur' : 'lime',
                unit: units.heading('material-rate', read.ph.place === 'too-alkaline' ? 'S' : 'lime'),
                quantity: 'material-rate',
                rule: (ph.byRule ?? (ph.own ? undefined : ph.material))?.value,
                own: ph.own,
              }}
              onAsk={onAsk}
            />
          )}
        </>
      }
      doses={
        <DoseList
          doses={[...of('lime'), ...of('sulfur')]}
          after={given && later > 0 ? `${later} more in later years, ${ph.monthsApart} months apart` : undefined}
        />
      }
      others={schools.map((school) => (
        <span key={school}>no rule</span>
      ))}
    >
      {read?.ph && <PhTrack finding={read.ph} ph={ph} />}
      <p>
        <Said text={ph.says} />
      </p>
      {ph.unsettled && <Caution>{`pH not settled. ${ph.unsettled}`}</Caution>}
      <LedgerLines ledger={ph.ledger} substance={ph.method === 'sulfur.requirement' ? 'S' : 'lime'} />
      {ph.waits && <Caution>{ph.waits}</Caution>}
      <LaboratoryAdvice line="lime" advice={prescription.labAdvice} taken={ph.material?.value} onTake={onTake} />
      {ph.action === 'lime' && method && ph.method?.startsWith('lime.') && ph.method !== 'lime.first-dose' && (
        <p className="small">
          The method’s own lime: <Fig figure={method} show={(value) => units.show('material-rate', value)} />{' '}
          <Substances text={units.heading('material-rate', method.unit.replace(/^lb | per 1000 ft2$/g, ''))} />.
          {ph.dosesFigure && ph.doses.length > 1 && (
            <>
              {' '}
              Each dose <Fig figure={ph.dosesFigure} show={(value) => units.show('material-rate', value)} />{' '}
              {units.short('material-rate', 'lime')}.
            </>
          )}
        </p>
      )}
      {ph.action === 'sulfur' && ph.dosesFigure && (
        <p className="small">
          Each dose <Fig figure={ph.dosesFigure} show={units.rate} /> {units.short('nutrient-rate', 'S')},{' '}
          {ph.doses.length} in all, over {ph.years} {ph.years === 1 ? 'year' : 'years'}.
        </p>
      )}
      <p className="small">
        <Said text={ph.retest} />
      </p>
      {read?.ph && (
        <p className="small ownlinks no-print">
          <OwnButton
            ask={{
              line: 'aim-ph',
              name: 'the pH aimed at',
              unit: 'pH',
              rule: read.ph.aim,
              own: zone.own?.find((own) => own.line === 'aim-ph'),
            }}
            onAsk={onAsk}
          />
          <span>for the aim</span>
          <OwnButton
            ask={{
              line: 'treated-depth',
              name: 'the depth to treat',
              unit: units.unit('depth'),
              quantity: 'depth',
              rule: 4,
              own: zone.own?.find((own) => own.line === 'treated-depth'),
            }}
            onAsk={onAsk}
          />
          <span>for the depth</span>
        </p>
      )}
      {read?.ph && (
        <details className="phmore">
          <summary>
            {read.ph.place === 'too-acid'
              ? 'Limes compared, and holding the pH'
              : read.ph.place === 'too-alkaline'
                ? 'Schools, and ways to acidify compared'
                : 'Holding the pH'}
          </summary>
          {read.ph.place === 'too-acid' && <LimeMaterials facts={facts} ph={ph} onChoose={onLime} />}
          {read.ph.place === 'too-alkaline' ? (
            <>
              <HighPhSchools facts={facts} onChoose={onHighPh} />
              <Acidifiers facts={facts} prescription={prescription} />
            </>
          ) : (
            <HoldingPh prescription={prescription} />
          )}
        </details>
      )}
    </Line>
  );
}
