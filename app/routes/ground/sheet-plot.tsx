import { lazy, Suspense } from 'react';
import type { Zone } from '@core/records/case';
import { Fault } from '../../ui/field';
import { useMounted } from '../../ui/use-mounted';
import { slipAt } from './draft/drafted-ground';
import { SHEET_HEIGHT } from './draft/sheet-view';
import { CornerTable } from './facts/corner-table';
import { ReckoningLine } from './facts/reckoning-line';
import { SideSlip } from './facts/side-slip';
import { TypedPoint } from './facts/typed-point';
import type { ZoneSheetState } from './use-zone-sheet';

const SiteSheet = lazy(() => import('./sheet/site-sheet'));

/** The drawing of the property with the zone in focus on it, and below it what can be typed instead of drawn. */
export function SheetPlot({ sheet, onChoose }: { sheet: ZoneSheetState; onChoose: (id: string) => void }) {
  const mounted = useMounted();
  const { file, site, others, facts, draft, now, onDraw, drafted, faults, drawnFault, box, width, view } = sheet;
  const { tool, target, outlining, pending, typedSide, setTypedSide, next, switches, inside, spoken } = sheet;
  const { measured, corners, ground, claims } = drafted;
  return (
    <div className="plot" ref={box}>
      {mounted ? (
        <Suspense fallback={<div className="sheet" style={{ height: SHEET_HEIGHT }} />}>
          <SiteSheet
            width={width}
            view={view}
            onView={sheet.setView}
            scales={sheet.scales}
            site={site}
            others={others}
            focus={{
              zone: { ...facts, ring: measured.ring as Zone['ring'], offsets: measured.offsets as Zone['offsets'] },
              grass: facts.grass,
              ground: drafted.hasShape ? ground : undefined,
              corners,
            }}
            claims={claims}
            draft={draft}
            onDraw={onDraw}
            tool={tool}
            target={target}
            pending={pending}
            onPending={sheet.setPending}
            onShape={sheet.onShape}
            onPlace={(at) => onDraw({ do: 'change', part: { at } })}
            onChoose={onChoose}
            onTypeSide={setTypedSide}
            switches={switches}
            inside={inside}
            onInside={sheet.setInside}
            spoken={spoken}
          >
            {typedSide !== undefined && corners.length > typedSide && (
              <SideSlip
                key={typedSide}
                corners={corners}
                side={typedSide}
                at={slipAt(view, corners, typedSide, width)}
                preview={sheet.preview}
                onKeep={(changed) => {
                  onDraw({ do: 'change', part: { corners: changed, ring: undefined } });
                  setTypedSide(undefined);
                }}
                onSide={setTypedSide}
                onClose={() => setTypedSide(undefined)}
              />
            )}
          </SiteSheet>
        </Suspense>
      ) : (
        <div className="sheet" style={{ height: SHEET_HEIGHT }} />
      )}
      <ReckoningLine
        ground={ground}
        next={next}
        productName={file.products?.find((p) => p.id === next?.productId)?.name}
      />
      <Fault>{drawnFault ?? (now.measure === 'outline' ? faults.corners : undefined)}</Fault>
      <Fault>{faults.cutOuts ?? faults.site}</Fault>
      {tool !== 'select' && (
        <TypedPoint
          start={target === 'zone' ? now.corners.at(-1) : pending.at(-1)}
          onPoint={sheet.setPoint}
          outline={outlining ? now : undefined}
          onDraw={onDraw}
        />
      )}
      {now.measure === 'outline' && now.corners.length > 0 && (
        <CornerTable
          corners={now.corners}
          onMove={(corner, to) => onDraw({ do: 'move', corner, to })}
          onRemove={(corner) => onDraw({ do: 'remove', corner })}
          onTypeSide={setTypedSide}
        />
      )}
    </div>
  );
}
