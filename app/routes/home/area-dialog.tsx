import { Button, Modal } from 'antd';

/** Areas shown; the choice holds for all. */
const MOST_SHOWN = 12;

interface AreaDialogProps {
  /** What is doubted, in sentences. */
  areas: readonly string[];
  onSettle: (by: 'file' | 'drawing') => void;
  onCancel: () => void;
}

/** Areas of a file that their own drawings contradict: every amount is weighed by them, so which is right is asked. */
export function AreaDialog({ areas, onSettle, onCancel }: AreaDialogProps) {
  return (
    <Modal
      title={areas.length === 1 ? 'An area that its drawing contradicts' : 'Areas that their drawings contradict'}
      open
      onCancel={onCancel}
      footer={[
        <Button key="cancel" onClick={onCancel}>
          Cancel
        </Button>,
        <Button key="file" onClick={() => onSettle('file')}>
          Keep the file’s {areas.length === 1 ? 'area' : 'areas'}
        </Button>,
        <Button key="drawing" type="primary" onClick={() => onSettle('drawing')}>
          Take the {areas.length === 1 ? 'drawing’s' : 'drawings’'}
        </Button>,
      ]}
    >
      <p>Every amount is weighed by the area. One of the two is wrong:</p>
      <ul className="doubted">
        {areas.slice(0, MOST_SHOWN).map((says) => (
          <li key={says}>{says}.</li>
        ))}
      </ul>
      {areas.length > MOST_SHOWN && <p className="small">and {areas.length - MOST_SHOWN} more.</p>}
    </Modal>
  );
}
