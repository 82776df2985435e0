import { Button } from 'antd';
import type { ZoneSheetState } from './use-zone-sheet';
import { useUnits } from '../../ui/format';

/** Heading of the sheet: its scale, undo and redo, the view. */
export function SheetHead({ sheet: { view, zoom, wholeSheet, draft, onDraw } }: { sheet: ZoneSheetState }) {
  const units = useUnits();
  const length = (ft: number) => `${units.plain(units.inShown('length', ft), 2)} ${units.unit('length')}`;
  return (
    <div className="pagehead">
      <h1>Measuring the ground</h1>
      <span className="small">
        {units.setting.system === 'us' ? '1 in' : '4 squares'} = {length(view.ftPerInch)}, one square is{' '}
        {length(view.ftPerInch / 4)}
      </span>
      <span className="sp" />
      <Button disabled={draft.past.length === 0} onClick={() => onDraw({ do: 'undo' })}>
        Undo <span className="kbd">Ctrl Z</span>
      </Button>
      <Button disabled={draft.future.length === 0} onClick={() => onDraw({ do: 'redo' })}>
        Redo <span className="kbd">Ctrl Y</span>
      </Button>
      <Button onClick={() => zoom(-1)}>
        Zoom in <span className="kbd">+</span>
      </Button>
      <Button onClick={() => zoom(1)}>
        Zoom out <span className="kbd">−</span>
      </Button>
      <Button onClick={wholeSheet}>
        Fit <span className="kbd">0</span>
      </Button>
    </div>
  );
}
