import { Modal } from 'antd';
import type { Zone } from '@core/records/case';
import type { GroundKind, Perimeter } from '@core/files/ground-files';
import { usePropertyWork } from '../../../work/use-property-work';
import { BringIn } from './import-outlines';
import type { Sent } from '../ground-action';
import { PlanPicture } from './plan-picture';
import type { TypedFacts } from '../draft/zone-from-typed';

const TITLES: Record<'picture' | GroundKind, string> = {
  picture: 'A plan behind the sheet',
  track: 'A walked track',
  zones: 'A zones file',
};

interface ImportModalProps {
  asking: 'hand' | 'picture' | GroundKind | undefined;
  zone: Zone | undefined;
  facts: TypedFacts;
  onClose: () => void;
  onSend: (sent: Sent) => void;
  onOutline: (perimeter: Perimeter, corners: [number, number][]) => void;
}

/** What is brought in from files: a plan picture, a walked track, polygons. */
export function ImportModal({ asking, zone, facts, onClose, onSend, onOutline }: ImportModalProps) {
  const { file } = usePropertyWork();
  const site = file.property.site;
  const kind = asking === 'hand' ? undefined : asking;
  return (
    <Modal
      title={kind && TITLES[kind]}
      open={kind !== undefined}
      onCancel={onClose}
      footer={null}
      destroyOnHidden
      width={600}
    >
      {kind === 'picture' && (
        <PlanPicture
          before={site?.picture}
          onKeep={(picture) => {
            onSend({ intent: 'site', site: { ...site, picture }, says: 'The plan lies behind the sheet.' });
            onClose();
          }}
          onRemove={() => {
            const { picture: _picture, ...rest } = site ?? {};
            onSend({ intent: 'site', site: rest, says: 'The plan picture was taken away.' });
            onClose();
          }}
        />
      )}
      {(kind === 'track' || kind === 'zones') && (
        <BringIn
          kind={kind}
          site={site}
          taken={file.zones.map((z) => z.id)}
          grass={facts.grass}
          texture={facts.texture}
          focusName={zone?.name ?? 'the new zone'}
          onOutline={(perimeter, corners, origin) => {
            if (!site?.origin)
              onSend({
                intent: 'site',
                site: { ...site, origin },
                says: 'The sheet now knows where on earth it lies.',
              });
            onOutline(perimeter, corners);
            onClose();
          }}
          onZones={(zones, origin) => {
            const names = zones.map((z) => z.name).join(', ');
            onSend({
              intent: 'zones',
              zones,
              site: { ...site, origin },
              says: `${zones.length} ${zones.length === 1 ? 'zone' : 'zones'} added: ${names}.`,
            });
            onClose();
          }}
        />
      )}
    </Modal>
  );
}
