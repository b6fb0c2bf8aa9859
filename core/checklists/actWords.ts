/**
 * The verbs with which items of checklists begin: what hands, eyes and voices do at a couch. Those
 * of the catalogue (a test holds the two together), and others in use (common practice, no source).
 */
const VERBS =
  `abduct add adduct administer advise agree align anchor apply approach arrange ask assess
assign attempt auscultate avoid balance bare bend block brace breathe bring build calculate calm
carry centre center check choose class classify clean clear close collect compare complete compress
confirm consider contact contrast correct count cover cup declare demonstrate describe detect
determine differentiate disinfect distract document do dorsiflex drape draw ease elevate elicit
empty encourage end ensure establish estimate evaluate evert examine exclude expose explain explore
extend feel find finish fix flex follow gain gather gauge generate get give glide go grade grasp greet
grip guard guide have hold hook identify immobilise immobilize indicate inform inquire enquire
inspect instruct internally interpret introduce invert invite isolate judge keep kneel lay lead lean
learn leave let lift limit list listen load locate lock look lower maintain make manage manipulate
map mark measure mention mix mobilise mobilize monitor move name note notice observe obtain offer
open order palpate pause perform pick place plantarflex point position prepare press prevent
pronate propose protect provide provoke pull push put quarter raise ramp reach read reassess
reassure recognise recognize record relate relax release remain remove repeat reply report
reposition request resist respect rest retest return roll rotate run say scan screen seat see
select separate set shift show sight sit slide slow speak squeeze stabilise stabilize stack stand
start state stay steady step stop straighten stretch stroke summarise summarize supinate support
take talk tap tape tell tense test thank tilt time touch trace track tuck turn twist uncover use
verify view wait walk warn wash watch weigh wipe write`.split(/\s+/);

/** Those whose forms are also things: 'marks and tests', 'a firm hold'. */
const ALSO_THINGS = new Set(
  `address approach balance bend block brace check class clean close contact contrast count cover cup
draw ease end estimate fix gauge glide grade grip guard guide hold hook judge lead lean lift limit
list load lock look map mark measure mix monitor move name note notice order pause place point
position press pull push quarter ramp reach record release report request rest return roll run scan
screen seat set shift show sight slide stack stand start state stay steady step stop stretch stroke
support tap tape test tilt time touch trace track turn twist use view wait walk watch wipe`.split(
    /\s+/,
  ),
);

export const VERB_FORMS = ['third', 'base', 'ing', 'past'] as const;
/** As in 'he lifts', 'lift', 'lifting', 'lifted'. */
export type VerbForm = (typeof VERB_FORMS)[number];

export interface Verb {
  readonly lemma: string;
  readonly alsoThing: boolean;
}

const IRREGULAR: Readonly<Record<string, string[]>> = {
  bend: ['bent'],
  bring: ['brought'],
  build: ['built'],
  choose: ['chosen'],
  do: ['done'],
  draw: ['drawn'],
  feel: ['felt'],
  find: ['found'],
  get: ['got'],
  give: ['given'],
  have: ['had'],
  hold: ['held'],
  keep: ['kept'],
  lay: ['laid'],
  lead: ['led'],
  leave: ['left'],
  let: ['let'],
  make: ['made'],
  put: ['put'],
  read: ['read'],
  run: ['run'],
  say: ['said'],
  see: ['seen'],
  set: ['set'],
  show: ['shown'],
  sit: ['sat'],
  speak: ['spoken'],
  stand: ['stood'],
  take: ['taken'],
  tell: ['told'],
  write: ['written'],
};

/** Every form of every verb, and which it can be. */
const FORMS = new Map<VerbForm, Map<string, Verb>>(VERB_FORMS.map((form) => [form, new Map()]));
for (const lemma of VERBS) {
  const verb = { lemma, alsoThing: ALSO_THINGS.has(lemma) };
  for (const form of VERB_FORMS) {
    for (const word of inForm(lemma, form)) FORMS.get(form)?.set(word, verb);
  }
}

/** The verb that this word can be in this form. */
export function verbIn(word: string, form: VerbForm): Verb | undefined {
  return FORMS.get(form)?.get(word.toLowerCase());
}

/** The form of a verb: 'third' of 'press' is 'presses'. Some have two ('stopped', 'stoped' does no harm). */
function inForm(lemma: string, form: VerbForm): string[] {
  const irregular = IRREGULAR[lemma];
  const stem = lemma.replace(/e$/, '');
  const doubled = /[^aeiou][aeiou][bdgklmnprt]$/.test(lemma) ? `${lemma}${lemma.at(-1)}` : stem;
  const after = /[^aeiou]y$/.test(lemma) ? lemma.replace(/y$/, 'i') : null;
  switch (form) {
    case 'base':
      return [lemma];
    case 'third': {
      if (lemma === 'have') return ['has'];
      if (after) return [`${after}es`];
      return [/(s|x|z|ch|sh|do|go)$/.test(lemma) ? `${lemma}es` : `${lemma}s`];
    }
    case 'ing':
      return [`${stem}ing`, `${doubled}ing`, `${lemma}ing`];
    case 'past':
      return irregular ?? [after ? `${after}ed` : `${stem}ed`, `${doubled}ed`];
  }
}
