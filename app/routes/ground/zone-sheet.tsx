import { ImportModal } from './import/import-modal';
import { HandTest } from './facts/hand-test';
import { SheetHead } from './sheet-head';
import { SheetPlot } from './sheet-plot';
import { ToolColumn } from './tool-column';
import { useZoneSheet, type ZoneSheetProps } from './use-zone-sheet';
import { ZoneMargin } from './zone-margin';

/** The sheet with its tools, and the facts of the zone in focus. What is drawn and typed is one draft until it is saved. */
export function ZoneSheet(props: ZoneSheetProps) {
  const sheet = useZoneSheet(props);
  const { asking, setAsking, facts } = sheet;
  const leave = () => setAsking(undefined);
  if (asking === 'hand')
    return <HandTest zoneName={facts.name || 'New zone'} onLeave={leave} onAnswer={sheet.answerByHand} />;
  return (
    <>
      <SheetHead sheet={sheet} />
      <div className="body">
        <div className="tools">
          <ToolColumn
            tool={sheet.tool}
            target={sheet.target}
            onTool={sheet.pick}
            onTarget={sheet.aim}
            switches={sheet.switches}
            onSwitches={sheet.setSwitches}
            onTrack={() => setAsking('track')}
            onZonesFile={() => setAsking('zones')}
            onPicture={() => setAsking('picture')}
          />
        </div>
        <SheetPlot sheet={sheet} onChoose={props.onChoose} />
        <ZoneMargin sheet={sheet} {...props} />
      </div>
      <ImportModal
        asking={asking}
        zone={props.zone}
        facts={facts}
        onClose={leave}
        onSend={props.onSend}
        onOutline={sheet.takeOutline}
      />
    </>
  );
}
