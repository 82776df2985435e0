import { Button, Modal } from 'antd';
import { useState } from 'react';
import type { Product } from '@core/records/case';
import { printShelfCsv } from '@core/files/shelf-csv';
import { printShelf } from '@core/files/shelf-file';
import { isRefusal } from '@core/reckoning/refusal';
import { Fault } from '../../ui/field';
import { saveTextFile } from '../../ui/save-text-file';
import { readFile } from '../../workers/read-file';
import { FilePicker } from '../../ui/file-picker';

interface Found {
  name: string;
  products: Product[];
  rejected: { line: number; says: string }[];
  ignored: string[];
}

/** What an import would do to the shelf. */
function compare(here: readonly Product[], found: readonly Product[]) {
  // as the table prints them, so that the order of keys is no difference
  const byId = new Map(here.map((product) => [product.id, printShelfCsv([product])]));
  const fresh = found.filter((product) => !byId.has(product.id));
  const same = found.filter((product) => byId.get(product.id) === printShelfCsv([product]));
  return { fresh, changed: found.filter((product) => byId.has(product.id) && !same.includes(product)), same };
}

const names = (products: readonly Product[]): string =>
  products.length > 6
    ? `${products
        .slice(0, 6)
        .map((product) => product.name)
        .join(', ')} and ${products.length - 6} more`
    : products.map((product) => product.name).join(', ');

interface ShelfFilesProps {
  open: boolean;
  products: readonly Product[];
  missing: readonly Product[];
  today: string;
  onStore: (products: Product[], says: string) => void;
  onClose: () => void;
}

/** The shelf out as CSV or JSON, and in again: what a file would change is shown before anything is stored. */
export function ShelfFiles({ open, products, missing, today, onStore, onClose }: ShelfFilesProps) {
  const [found, setFound] = useState<Found>();
  const [fault, setFault] = useState<string>();
  const close = () => {
    setFound(undefined);
    setFault(undefined);
    onClose();
  };
  const choose = async (file: File) => {
    setFound(undefined);
    setFault(undefined);
    const read = await readFile(file, (reading) => reading.shelf(file));
    if (isRefusal(read)) return setFault(read.refused);
    setFound({ name: file.name, ...read });
  };
  const store = (list: Product[], says: string) => {
    onStore(list, says);
    close();
  };
  const changes = found && compare(products, found.products);
  return (
    <Modal title="Import or export" open={open} onCancel={close} footer={null} width={560}>
      <div className="shelffiles">
        <h3>Out</h3>
        <p className="links">
          <Button onClick={() => saveTextFile(`shelf-${today}.csv`, printShelfCsv(products), 'text/csv')}>
            Save as CSV
          </Button>
          <Button onClick={() => saveTextFile(`shelf-${today}.json`, printShelf(products), 'application/json')}>
            Save as JSON
          </Button>
        </p>
        <h3>In</h3>
        <p className="small">
          A table with “name” and percents in its header, or a shelf or case file that Ubertas saved. A product with an
          id that is here replaces it.
        </p>
        <p className="links">
          <FilePicker
            label="Shelf file"
            accept=".csv,.json,text/csv,application/json"
            onFile={(file) => void choose(file)}
          >
            Choose a file
          </FilePicker>
          {missing.length > 0 && (
            <Button onClick={() => store([...missing], `${missing.length} starter materials are on the shelf.`)}>
              Add the {missing.length} starter materials that are missing
            </Button>
          )}
        </p>
        <Fault>{fault}</Fault>
        {found && changes && (
          <section className="found" aria-label="What the file holds">
            <p>
              <b>{found.name}</b>: {found.products.length} {found.products.length === 1 ? 'product' : 'products'}.
            </p>
            <ul>
              {changes.fresh.length > 0 && (
                <li>
                  {changes.fresh.length} new: {names(changes.fresh)}
                </li>
              )}
              {changes.changed.length > 0 && (
                <li>
                  {changes.changed.length} would replace what is here: {names(changes.changed)}
                </li>
              )}
              {changes.same.length > 0 && <li>{changes.same.length} are here already, the same</li>}
              {found.ignored.length > 0 && <li>Columns left out: {found.ignored.slice(0, 8).join(', ')}</li>}
              {found.rejected.slice(0, 8).map((each) => (
                <li key={each.line} className="fault">
                  Line {each.line}: {each.says}
                </li>
              ))}
              {found.rejected.length > 8 && <li>{found.rejected.length - 8} more lines could not be read.</li>}
            </ul>
            <Button
              type="primary"
              disabled={changes.fresh.length + changes.changed.length === 0}
              onClick={() =>
                store(
                  [...changes.fresh, ...changes.changed],
                  `${changes.fresh.length + changes.changed.length} products of ${found.name} are on the shelf.`,
                )
              }
            >
              Save {changes.fresh.length + changes.changed.length}
            </Button>
          </section>
        )}
      </div>
    </Modal>
  );
}
