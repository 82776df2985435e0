import { Button } from 'antd';
import { roundedTo } from '@core/words/numbers';
import { zoomed } from './draft/sheet-view';
import type { ZoneSheetState } from './use-zone-sheet';

/** Heading of the sheet: its scale, undo and redo, the view. */
export function SheetHead({ sheet: { view, setView, width, wholeSheet, draft, onDraw } }: { sheet: ZoneSheetState }) {
  return (
    <div className="pagehead">
      <h1>Measuring the ground</h1>
      <span className="small">
        1 in = {view.ftPerInch} ft, one square is {roundedTo(view.ftPerInch / 4, 2)} ft
      </span>
      <span className="sp" />
      <Button disabled={draft.past.length === 0} onClick={() => onDraw({ do: 'undo' })}>
        Undo <span className="kbd">Ctrl Z</span>
      </Button>
      <Button disabled={draft.future.length === 0} onClick={() => onDraw({ do: 'redo' })}>
        Redo <span className="kbd">Ctrl Y</span>
      </Button>
      <Button onClick={() => setView(zoomed(view, -1, width))}>
        Zoom in <span className="kbd">+</span>
      </Button>
      <Button onClick={() => setView(zoomed(view, 1, width))}>
        Zoom out <span className="kbd">−</span>
      </Button>
      <Button onClick={wholeSheet}>
        Fit <span className="kbd">0</span>
      </Button>
    </div>
  );
}
