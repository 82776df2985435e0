import { Button } from 'antd';
import type { FetcherWithComponents } from 'react-router';
import type { Product } from '@core/records/case';
import { Fault, TextField } from '../../ui/field';
import { Unsaved } from '../../ui/unsaved';
import { StopGlyph, WarnGlyph } from '../../ui/glyphs';
import { Said } from '../../ui/substance';
import { GradeEntry } from './grade-entry';
import { LimePart, NitrogenPart, OtherPart, PackagePart } from './label-parts';
import { type LabelAnswer, useLabelSlip } from './use-label-slip';

interface LabelSlipProps {
  product?: Product;
  fetcher: FetcherWithComponents<LabelAnswer>;
  onClose: () => void;
  onRemove?: () => void;
}

/** A label entered as a bag is read: the three numbers first, then what stands under them. */
export function LabelSlip({ product, fetcher, onClose, onRemove }: LabelSlipProps) {
  const slip = useLabelSlip(product, fetcher);
  const { typed, change, faults, soFar, remarks, waits, send } = slip;
  return (
    <aside
      className="labelslip"
      aria-label={product ? `Label of ${product.name}` : 'New label'}
      onKeyDown={(event) => {
        if (event.key === 'Escape') {
          event.nativeEvent.stopImmediatePropagation();
          onClose();
        }
      }}
    >
      <div className="bar">
        <span className="note">{product ? (product.unfinished ? 'Half entered' : 'On the shelf') : 'New label'}</span>
        <Button size="small" onClick={onClose}>
          Close <span className="kbd">Esc</span>
        </Button>
      </div>
      <h2>{typed.name.trim() || 'Unnamed bag'}</h2>
      <Unsaved offered={slip.offered} overtaken={slip.overtaken} />
      <TextField
        label="Name on the bag"
        value={typed.name}
        fault={faults.name}
        autoFocus={!product}
        onChange={(name) => change({ name })}
      />
      <GradeEntry
        typed={typed.typedGrade}
        grade={typed.grade}
        fault={faults.grade ?? faults.guaranteed}
        onType={(typedGrade) => change({ typedGrade, grade: undefined })}
        onConfirm={(grade) => change({ grade })}
      />
      {(soFar.guaranteed.N ?? 0) > 0 && <NitrogenPart slip={slip} />}
      <OtherPart slip={slip} />
      <PackagePart slip={slip} />
      <LimePart slip={slip} />
      {remarks.length > 0 && (
        <ul className="remarks" aria-label="Label checks">
          {remarks.map((remark) => (
            <li key={remark.id} className={remark.standing}>
              {remark.standing === 'stop' ? <StopGlyph /> : <WarnGlyph />}
              <span>
                <Said text={remark.says} />
              </span>
            </li>
          ))}
        </ul>
      )}
      <Fault>{faults.storage ?? faults.id}</Fault>
      {Object.keys(faults).length > 0 && !faults.storage && <Fault>Not stored: {Object.values(faults)[0]}</Fault>}
      <div className="foot">
        <Button type="primary" disabled={waits !== undefined} onClick={() => send(false)}>
          {product && !product.unfinished ? 'Save label' : 'Save to the shelf'}
        </Button>
        {waits !== undefined && <span className="note">waits for {waits}</span>}
        {waits !== undefined && typed.name.trim() !== '' && <Button onClick={() => send(true)}>Save draft</Button>}
        {onRemove && <Button onClick={onRemove}>Delete label</Button>}
      </div>
    </aside>
  );
}
