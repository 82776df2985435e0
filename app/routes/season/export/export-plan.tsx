import { newId } from '@core/records/new-id';
import { Button, Dropdown } from 'antd';
import { useState } from 'react';
import type { CareTask } from '@core/care/tasks';
import type { Case } from '@core/records/case';
import { printPlanCalendar } from '@core/files/plan-calendar';
import { printPlanCsv, printPurchasesCsv } from '@core/files/plan-csv';
import type { JudgedPlan } from '@core/season/checks/judge-plan';
import type { SeasonPlan } from '@core/season/plan/season-plan';
import { planSheet } from '@core/season/output/plan-sheet';
import { makePdf } from '../../../ui/make-pdf';
import { saveFile, saveTextFile } from '../../../ui/save-text-file';
import { useUnits } from '../../../ui/format';

const MENU_FOLDS_MS = 300;

interface ExportPlanProps {
  file: Case & { fileId?: string };
  season: SeasonPlan;
  judged: JudgedPlan;
  care: readonly CareTask[];
  today: string;
  provenance: string;
  onFault: (says: string) => void;
}

/** Hands the plan out as files: calendar, tables, the client's print. */
export function ExportPlan({ file, season, judged, care, today, provenance, onFault }: ExportPlanProps) {
  const units = useUnits();
  const [busy, setBusy] = useState(false);
  const name = `${newId(file.property.name, [])}-${season.year}`;
  const pdf = async () => {
    setBusy(true);
    try {
      // large and wanted seldom
      const { planDocument } = await import('./plan-pdf');
      saveFile(
        await makePdf(planDocument(file, season, judged, { today, provenance, care, units }), `${name}-plan.pdf`),
      );
    } catch (trouble) {
      onFault(
        `The PDF could not be made: ${trouble instanceof Error ? trouble.message : 'no reason given'}. The plan is as it was.`,
      );
    } finally {
      setBusy(false);
    }
  };
  const acts: Record<string, () => void> = {
    calendar: () =>
      saveTextFile(
        `${name}.ics`,
        printPlanCalendar(
          planSheet(file, season),
          file.fileId ?? file.property.id,
          new Date().toISOString(),
          care,
          (sentence) => units.said(sentence),
        ),
        'text/calendar',
      ),
    plan: () => saveTextFile(`${name}-plan.csv`, printPlanCsv(planSheet(file, season), units.ofTables()), 'text/csv'),
    buy: () =>
      saveTextFile(`${name}-to-buy.csv`, printPurchasesCsv(planSheet(file, season), units.ofTables()), 'text/csv'),
    pdf: () => void pdf(),
    // the menu folds away first, or it would stand on the paper
    print: () => void setTimeout(() => window.print(), MENU_FOLDS_MS),
  };
  return (
    <Dropdown
      trigger={['click']}
      menu={{
        items: [
          { key: 'pdf', label: 'Plan for the client (PDF)' },
          { key: 'calendar', label: 'Calendar with reminders (iCalendar)' },
          { key: 'plan', label: 'Doses as a table (CSV)' },
          { key: 'buy', label: 'List to buy (CSV)' },
          { key: 'print', label: 'Print this page' },
        ],
        onClick: ({ key }) => acts[key]?.(),
      }}
    >
      <Button loading={busy}>Export plan</Button>
    </Dropdown>
  );
}
