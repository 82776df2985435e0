import { lawnPage } from '../core/season/lawns/lawn-page';
import { lawnCase } from '../core/season/lawns/lawns.fixture';
import { notebook } from '../core/season/lawns/notebook';
import { REFERENCE_LAWNS } from '../core/season/lawns/reference-lawns';

/** `npm run lawns`: the reference lawns as one page a person can read; with a word, only those whose name has it. */
const word = process.argv[2] ?? '';
for (const lawn of REFERENCE_LAWNS.filter((each) => each.case.includes(word)))
  process.stdout.write(`${notebook(lawn, lawnPage(lawnCase(lawn.case), lawn.on))}\n`);
