import { Button, Input } from 'antd';
import { useEffect, useState } from 'react';

/** A PDF that is a picture: its page on the left, its values typed on the right and read like any text. */
export function WithoutText({
  name,
  says,
  picture,
  onText,
  onCancel,
}: {
  name: string;
  says: string;
  picture: (page: number, width: number) => Promise<Blob | undefined>;
  onText: (text: string, name: string) => void;
  onCancel: () => void;
}) {
  const [text, setText] = useState('');
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    let made: string | undefined;
    void picture(0, 1100).then((blob) => {
      made = blob && URL.createObjectURL(blob);
      setUrl(made);
    });
    return () => {
      if (made) URL.revokeObjectURL(made);
    };
    // the file does not change while it is typed from
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  return (
    <div className="reader">
      <section className="came" aria-label="The file as it came">
        <div className="sheetbox" tabIndex={0} role="region" aria-label="Page, scrolls">
          {url ? (
            <img className="scan" src={url} alt={`First page of ${name}`} />
          ) : (
            <p className="small">The page cannot be shown here; open it beside this window.</p>
          )}
        </div>
      </section>
      <section className="right" aria-label="Typing">
        <p>{says}</p>
        <label className="pasted">
          <span>
            Type a value a line, as it stands there: Sample: Front, Sampled: 10/12/2026, Soil pH 6.1, P 44 ppm
          </span>
          <Input.TextArea rows={14} value={text} onChange={(event) => setText(event.target.value)} />
        </label>
        <p className="actions">
          <Button type="primary" disabled={text.trim() === ''} onClick={() => onText(text, name)}>
            Read the text
          </Button>
          <Button onClick={onCancel}>Cancel</Button>
        </p>
      </section>
    </div>
  );
}
