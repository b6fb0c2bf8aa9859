import type { DraftItem } from './draftChecklist.ts';
import { scalesOf } from './draftChecklist.ts';
import type { Finding } from './finding.ts';

/** Words that judge where an item should name what is seen (common practice, no source). */
const JUDGING =
  /\b((?:in)?(?:adequate|appropriate|proper|correct|sufficient|accurate|effective|efficient|competent|satisfactory|acceptable|suitable|reasonable|optimal|ideal|professional|confident|thorough|skilful|skillful|careful)(?:l?y)?|satisfactorily|acceptably|suitably|reasonably|optimally|safely|nicely|comfortably|as (?:needed|necessary|required|appropriate|indicated)|(?:if|when|where) (?:needed|necessary|possible|required)|etc\b\.?|and so on)(?=$|[\s,.;)])/gi;
/** 'Good' and 'well' judge too, unless they name the sound side or the patient's health. */
const GOOD =
  /\bgood\b(?! (?:side|leg|arm|knee|hip|shoulder|elbow|wrist|hand(?! p)|ankle|foot|limb|one)\b)|(?<=\S )\bwell\b(?=$|[.,;]| (?:and|with|on|in|at)\b)(?<!as well)/gi;
/** Phrases that name nothing that could be seen or heard, whatever is struck from them. */
const NAMES_NOTHING =
  /\b(?:(?:demonstrates?|shows?|displays?) (?:an? |the )?(?:\w+ )?(?:understanding|knowledge|awareness|competence|confidence|skills?|professionalism|empathy|technique)|(?:understands?|knows?|appreciates?)\b|is (?:aware|familiar with|competent|confident|professional|empathetic)|has (?:an? )?(?:understanding|knowledge|awareness)|(?:builds?|establishes?|maintains?) (?:a )?(?:good )?rapport|(?:overall|general) (?:approach|impression|technique|manner)|(?:bedside|overall|general) manner)/i;
/** What is left of 'performs the test correctly': that a test was performed, not what was done. */
const NO_ACT =
  /^(?:performs?|does|do|completes?|carries out|conducts?|executes?|uses?|handles?|treats?|(?:is|are)) ?(?:the |a |an |this )?(?:special )?(?:test|technique|procedure|examination|manoeuvre|maneuver|assessment|task|patient|patient handling|body mechanics|it)?$/i;
/** A grade that is described by a grade. */
const GRADE_ONLY =
  /^(?:very )?(?:poor(?:ly)?|fair(?:ly)?|good|well|excellent|adequate(?:ly)?|inadequate(?:ly)?|satisfactory|unsatisfactory|average|acceptable|unacceptable|ok|okay|partial(?:ly)?|fail|pass|borderline|competent|not competent|above average|below average|correct(?:ly)?|incorrect(?:ly)?)\.?$/i;

/** The words of a text that judge instead of naming what is seen, as they stand there. */
export function vagueWordsIn(text: string): string[] {
  const nothing = NAMES_NOTHING.exec(text);
  const judging = [...text.matchAll(JUDGING), ...text.matchAll(GOOD)].map(([word]) => word);
  return nothing ? [nothing[0], ...judging.filter((word) => !nothing[0].includes(word))] : judging;
}

/** The text without them; `null` where nothing is left that could be seen or heard. */
export function struck(text: string): string | null {
  if (NAMES_NOTHING.test(text)) return null;
  const rest = text
    .replace(JUDGING, '')
    .replace(GOOD, '')
    .replace(/\b(an?|the)(?= (?:and|with|to|on|in|at|of)\b|$)/gi, '')
    .replace(/\b(?:and|with|in|,)\s*(?=$|[.,;])/gi, '')
    .replace(/\s+(?=[,.;)])/g, '')
    .replace(/\s+/g, ' ')
    .replace(/^[\s,;]+|[\s,;]+$/g, '')
    .replace(/\ban?(?= [aeiou])/gi, 'an')
    .replace(/\ban(?= [^aeiou\s])/gi, 'a');
  if (rest.split(' ').length < 2 || NO_ACT.test(rest)) return null;
  return `${rest.charAt(0).toUpperCase()}${rest.slice(1)}`;
}

/** An item says what is seen or heard. What is adequate, each examiner decides for themselves. */
export function vagueWords(item: DraftItem): Finding[] {
  const found = vagueWordsIn(item.text);
  const text = found.length > 0 ? struck(item.text) : null;
  const findings: Finding[] = [];
  if (found.length > 0) {
    findings.push({
      item: item.key,
      part: 'text',
      rule: 'vague',
      words: `${found.map((word) => `“${word}”`).join(', ')} can be seen by nobody.`,
      reason: 'What is adequate to one examiner is not to another. Say what is seen or heard.',
      mend: text === null ? { do: 'remove', item: item.key } : { do: 'say', item: item.key, text },
    });
  }
  const grades = gradeOnly(item);
  if (grades.length > 0) {
    findings.push({
      item: item.key,
      part: 'anchors',
      rule: 'vague',
      words: `The grade ${grades.map((word) => `“${word}”`).join(', ')} is described by a grade.`,
      reason:
        'An anchor says what such a candidate does, so that two examiners give the same grade.',
      mend: { do: 'as-done', item: item.key },
    });
  }
  return findings;
}

function gradeOnly(item: DraftItem): string[] {
  return scalesOf(item).flatMap((scale) =>
    scale.kind === 'graded' ? scale.anchors.filter((anchor) => GRADE_ONLY.test(anchor.trim())) : [],
  );
}
