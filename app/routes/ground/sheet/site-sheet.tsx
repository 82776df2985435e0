import { useState } from 'react';
import { Layer, Line, Rect, Stage } from 'react-konva';
import { SHEET_HEIGHT } from '../draft/sheet-view';
import { Grid, Ruler, TitleBlock } from './grid';
import { INK } from './ink';
import { PendingDrawing } from './pending-drawing';
import { Cross, Selected } from './selected-drawing';
import { Claimed, Context, Picture, StripEdges, Water } from './site-drawing';
import { type SiteSheetProps, useSiteSheet } from './use-site-sheet';
import { IdleZone, linePoints, ZoneFill, ZoneName } from './zone-drawing';
import { useUnits } from '../../../ui/format';

/** The drawing sheet of a whole property: click for corners, drag to move, or steer the cross with the arrow keys. */
export default function SiteSheet(props: SiteSheetProps) {
  const { width, view, site, others, focus, claims, draft, onDraw, onChoose, onTypeSide, inside, spoken } = props;
  const step = useUnits().drawingStep();
  const sheet = useSiteSheet(props);
  const { drawing, isOutline, zoneOutline, snapped } = sheet;
  const { now } = draft;
  const [pointedZone, setPointedZone] = useState<string>();
  return (
    <div
      className="sheet"
      tabIndex={0}
      role="application"
      aria-label={
        drawing
          ? `Drawing sheet. Arrow keys move the cross by ${step.says}, with Shift ${step.ten}, with Alt a tenth. Enter sets a point, Backspace lifts it, C closes.`
          : 'Drawing sheet. Arrow keys move the zone in focus. Enter goes to its corners; there Tab walks, arrows move, Delete removes, plus splits a side, Enter types a length, Escape leaves.'
      }
      onKeyDown={sheet.steer}
    >
      <Stage
        width={width}
        height={SHEET_HEIGHT}
        style={{ cursor: drawing ? 'crosshair' : 'default' }}
        {...sheet.gestures}
      >
        <Layer>
          <Rect x={0} y={0} width={width} height={SHEET_HEIGHT} fill={INK.sheet} />
          <Picture view={view} picture={site?.picture} />
          <Grid view={view} width={width} />
          <Water view={view} site={site} />
          {others.map(({ zone, ground }) => (
            <IdleZone
              key={zone.id}
              view={view}
              zone={zone}
              ground={ground}
              pointed={pointedZone === zone.id}
              onPoint={(yes) => setPointedZone(yes ? zone.id : undefined)}
              onChoose={drawing ? undefined : () => onChoose(zone.id)}
            />
          ))}
          {focus.ground && <ZoneFill view={view} grass={focus.grass} ground={focus.ground} selected />}
          {!drawing && focus.corners.length > 2 && (
            <Line name="focus" points={linePoints(view, focus.corners)} closed fill="rgba(0,0,0,0)" />
          )}
          <StripEdges view={view} site={site} />
          <Context view={view} site={site} />
          {others.map(({ zone, ground }) => (
            <ZoneName key={zone.id} view={view} zone={zone} ground={ground} />
          ))}
          <Claimed view={view} claims={claims} />
          <Selected
            view={view}
            corners={focus.corners}
            closed={!isOutline || now.closed}
            editable={isOutline}
            focus={inside}
            onDraw={onDraw}
            onTypeSide={onTypeSide}
            place={(at, corner) => (corner === undefined ? at : snapped(at, false, corner).at)}
          />
          {focus.ground && focus.ground.corners.length > 2 && (
            <ZoneName view={view} zone={focus.zone} ground={focus.ground} />
          )}
          <PendingDrawing {...props} sheet={sheet} />
          {drawing && !(zoneOutline && now.closed) && <Cross view={view} at={draft.cross} />}
          <TitleBlock view={view} width={width} northUp={site?.origin !== undefined} />
          <Ruler view={view} width={width} />
        </Layer>
      </Stage>
      {props.children}
      <p className="vh" role="status">
        {spoken}
      </p>
    </div>
  );
}
