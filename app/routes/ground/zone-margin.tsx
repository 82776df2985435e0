import { Button } from 'antd';
import { Fault, TextField } from '../../ui/field';
import { Unsaved } from '../../ui/unsaved';
import { ClaimWarning } from './facts/claim-warning';
import { MeasureFields } from './facts/measure-fields';
import { ZoneFacts } from './facts/zone-facts';
import { ZoneLedger } from './facts/zone-ledger';
import { CutOutList, SiteList } from './site-list';
import type { ZoneSheetProps, ZoneSheetState } from './use-zone-sheet';

type ZoneMarginProps = Pick<ZoneSheetProps, 'onChoose' | 'onAdd' | 'onSend' | 'onRemove'> & { sheet: ZoneSheetState };

/** The zones of the property, and what is typed of the one in focus. */
export function ZoneMargin({ sheet, onChoose, onAdd, onSend, onRemove }: ZoneMarginProps) {
  const { zone, file, site, others, facts, change, now, onDraw, drafted, faults, saving, save, setAsking } = sheet;
  const { ground, claims } = drafted;
  return (
    <aside className="margin">
      <ZoneLedger
        rows={file.zones.map((z) => ({
          zone: z,
          ground: z.id === zone?.id ? ground : others.find((o) => o.zone.id === z.id)?.ground,
        }))}
        focusId={zone?.id}
        adding={!zone}
        onChoose={onChoose}
        onAdd={onAdd}
      />
      <h2>{zone ? zone.name : 'New zone'}</h2>
      <Unsaved offered={sheet.offered} overtaken={sheet.overtaken} />
      <form
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
        <TextField label="Zone name" value={facts.name} onChange={(name) => change({ name })} fault={faults.name} />
        <MeasureFields
          typed={now}
          faults={faults}
          onMeasure={(measure) => onDraw({ do: 'change', part: { measure } })}
          onChange={(part) => onDraw({ do: 'change', part })}
        />
        <CutOutList
          cutOuts={now.cutOuts}
          ground={ground}
          onChange={(cutOut) => onDraw({ do: 'cut-out', cutOut })}
          onDrop={(id) => onDraw({ do: 'drop-cut-out', id })}
        />
        {claims.map((claim) => (
          <ClaimWarning
            key={`${claim.a.id}/${claim.b.id}`}
            claim={claim}
            focus={drafted.focus}
            onGiveAway={(left) =>
              onDraw({ do: 'change', part: { measure: 'outline', corners: left, closed: true, ring: undefined } })
            }
            onSend={onSend}
            site={site}
          />
        ))}
        <ZoneFacts typed={facts} faults={faults} onChange={change} onHandTest={() => setAsking('hand')} />
        <div className="kept">
          <Button type="primary" htmlType="submit" loading={saving}>
            Save zone
          </Button>
          {onRemove && (
            <button type="button" className="link small" onClick={onRemove}>
              Delete {zone?.name}
            </button>
          )}
          {Object.keys(faults).length > 0 && <span className="small">Not saved yet: see the marked fields.</span>}
          <Fault>{faults.storage}</Fault>
        </div>
      </form>
      <SiteList site={site} onSite={(changed, says) => onSend({ intent: 'site', site: changed, says })} />
    </aside>
  );
}
