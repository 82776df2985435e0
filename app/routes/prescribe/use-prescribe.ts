import { useMemo, useState } from 'react';
import { otherSchoolAnswers } from '@core/prescription/school-answers';
import type { ZoneSeason } from '@core/season/plan/season-plan';
import { useKey } from '../../ui/keys';
import { makePdf } from '../../ui/make-pdf';
import { saveFile } from '../../ui/save-text-file';
import { nextSchool } from '../../ui/school-choice';
import { usePropertyWork } from '../../work/use-property-work';
import { useSend } from '../../work/send';
import { useDone } from '../../work/use-done';
import { zoneFacts } from '../../work/zone-facts';
import type { OwnAsk } from './lines/line';
import type { Answer, Sent } from './prescribe-action';
import { prescriptionDocument } from './prescription-pdf';
import { usePlace } from '../../ui/place';
import { useUnits } from '../../ui/format';

/** The prescription of the zone in focus, the other schools' answers beside it, and what is sent, asked and printed. */
export function usePrescribe() {
  const units = useUnits();
  const work = usePropertyWork();
  const { zone, file, today } = work;
  const { fetcher, send: ask } = useSend<Sent, Answer>();
  const done = useDone();
  const send = (sent: Sent) => void done(() => ask(sent));
  const [place, setPlace] = usePlace();
  const [asking, setAsking] = useState<OwnAsk>();
  const [copying, setCopying] = useState(false);
  const facts = useMemo(() => zone && zoneFacts(work, zone), [work, zone]);
  const answers = useMemo(() => (facts ? otherSchoolAnswers(facts) : []), [facts]);
  const school = file.choices?.school ?? 'sufficiency';
  const sending = fetcher.json as Sent | undefined;
  useKey('next-school', () => send({ intent: 'choice', change: { school: nextSchool(school) } }), [school]);
  useKey('print', () => window.print());
  const all = place.get('view') === 'all';
  const show = (view: 'all' | undefined) =>
    setPlace((before) => {
      if (view) before.set('view', view);
      else before.delete('view');
      return before;
    });
  const pdf = async (name: string, zones: readonly ZoneSeason[]) =>
    saveFile(await makePdf(prescriptionDocument(file.property, zones, today, units), `prescription-${name}.pdf`));
  return {
    work,
    fetcher,
    send,
    sending,
    facts,
    answers,
    school,
    asking,
    setAsking,
    copying,
    setCopying,
    all,
    show,
    pdf,
  };
}
