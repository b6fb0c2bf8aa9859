import { earnsWords } from '@kritikos/core/marking/earnsWords';
import { byPhase } from '@kritikos/core/marking/phases';
import { waysToSee } from '@kritikos/core/marking/waysToSee';
import { withheldWords } from '@kritikos/core/marking/withheldWords';
import type { ChecklistContent, ChecklistItem } from '@kritikos/core/scoring/checklist';
import type { Content } from 'pdfmake/interfaces';
import type { PaperSize } from '@kritikos/contracts/papers';
import { cautionBox, figures, ledger, onePageEach, roomOn, stationHead } from './paper.ts';
import type { Paper } from './paper.ts';
import type { Printed, PrintedStation } from './printed.ts';

/**
 * For the door, where candidates wait: which station it is, where, how long, and the task. The
 * drawing, the cautions and the stop rule say how it is done, so that they belong to the examiner and
 * to the simulated patient.
 */
export function doorSheets({ stations }: Printed): Paper {
  return {
    name: 'Door sheet',
    content: onePageEach(
      stations.map((station) => [
        stationHead(station, 40),
        ...where(station),
        { text: minuteWords(station.minutes), style: 'heading' },
        { text: station.content.task, style: 'large' },
      ]),
    ),
  };
}

function where({ places }: PrintedStation): Content[] {
  if (places.length === 0) return [];
  const words = places.map(({ circuit, place }) => `${circuit}: ${place}`).join('   ·   ');
  return [{ text: words, margin: [0, 0, 0, 6] }];
}

/** For the candidate, outside the door: what to do, and how long. Nothing that the key could be read from. */
export function candidateInstructions({ stations, plan }: Printed): Paper {
  return {
    name: 'Candidate’s instructions',
    content: onePageEach(
      stations.map((station) => [
        stationHead(station),
        { text: 'Your task', style: 'heading' },
        { text: station.content.task, style: 'large' },
        { text: 'At this station', style: 'heading' },
        {
          ul: [
            ...(plan
              ? [
                  `You have ${minuteWords(plan.readingMinutes)} to read this, and then ${minuteWords(station.minutes)} at the couch.`,
                ]
              : [`You have ${minuteWords(station.minutes)} at the couch.`]),
            'Say who you are, what you will do, and ask for consent before you touch the person.',
            'Say aloud what you feel and what you conclude: what is not said cannot be marked.',
            'The person may say stop at any time. You stop then, at once.',
            ...(station.equipment.length > 0
              ? [`Ready for you: ${station.equipment.join(', ')}.`]
              : []),
          ],
          fontSize: 12.5,
          lineHeight: 1.25,
        },
      ]),
    ),
  };
}

/** For whoever plays the patient: what they show, what is done with them, and what they never have to bear. */
export function patientScripts({ stations }: Printed, size: PaperSize): Paper {
  const { width } = roomOn(size);
  return {
    name: 'Simulated patient’s script',
    content: onePageEach(
      stations.map((station) => [
        stationHead(station, 24),
        { text: 'What you show', style: 'heading' },
        { text: station.content.simulatedPatient, fontSize: 13, lineHeight: 1.3 },
        { text: 'What the candidate is asked', style: 'heading' },
        { text: station.content.task, fontSize: 12 },
        { text: 'For every candidate alike', style: 'heading' },
        {
          ul: [
            'Show the same to everybody; help nobody, and hinder nobody.',
            'You need not bear pain. Say “stop” whenever something hurts more than was agreed; the clock is stopped for it.',
            'Tell the examiner when you need a pause or the other side.',
          ],
        },
        cautionBox(station),
        ...figures(station.figures, `patient-${station.position}`, { width, height: 200 }),
      ]),
    ),
  };
}

/** For the examiner: the whole checklist with its anchors and key. */
export function briefings({ stations }: Printed, size: PaperSize): Paper {
  const { width } = roomOn(size);
  return {
    name: 'Examiner’s briefing',
    content: onePageEach(
      stations.map((station) => {
        const { content } = station;
        return [
          stationHead(station, 24),
          {
            text: `Checklist version ${station.checklistVersion}. Not for candidates.`,
            bold: true,
          },
          {
            columns: [
              {
                width: '*',
                stack: [
                  { text: 'Task for the candidate', style: 'heading' },
                  content.task,
                  { text: 'Simulated patient', style: 'heading' },
                  content.simulatedPatient,
                ],
              },
              {
                width: '*',
                stack: figures(station.figures, `brief-${station.position}`, {
                  width: width / 2,
                  height: 170,
                }),
              },
            ],
            columnGap: 16,
          },
          cautionBox(station),
          ...accepted(content),
          { text: 'How it is marked', style: 'heading' },
          ...(content.withheld ?? []).map((own): Content => ({
            text: withheldWords(own),
            bold: true,
            margin: [0, 0, 0, 4],
          })),
          ledger(
            ['Item', 'Full marks for', 'Weight', 'Known by'],
            byPhase(content.items).flatMap(({ title, items }) =>
              items.map((item, i) => briefed(item, i === 0 ? title : null)),
            ),
            ['*', '*', 42, 50],
          ),
          ...(content.faults.length > 0
            ? [
                { text: 'Faults to look for', style: 'heading' } as Content,
                inTwoColumns(content.faults.map(({ text }) => text)),
              ]
            : []),
        ];
      }),
    ),
  };
}

/** A row of the briefing; the first of a phase carries the phase's name, so that it is never parted from it. */
/** The ways of doing it that all earn; of what nobody is to do there are none. */
function accepted(content: ChecklistContent): Content[] {
  const ways = waysToSee(content).flatMap(({ variants, usualVariant }) =>
    variants.map(({ key, label, description }): Content => ({
      text: [
        { text: `${label}. `, bold: true },
        description,
        ...(key === usualVariant ? [{ text: ' Expected here.', italics: true }] : []),
      ],
    })),
  );
  return ways.length === 0 ? [] : [{ text: 'What is accepted', style: 'heading' }, { ul: ways }];
}

/** A row of the briefing; the first of a phase carries the phase’s name, so that it is never parted from it. */
function briefed(item: ChecklistItem, phase: string | null): Content[] {
  const cells: Content[] = [
    itemWords(item),
    earnsWords(item),
    { text: String(item.weight), alignment: 'right' },
    item.observability,
  ];
  if (phase === null) return cells;
  const [first = '', ...others] = cells;
  return [
    { stack: [{ text: phase, ...PHASE }, first] },
    ...others.map((cell): Content => ({ stack: [{ text: ' ', ...PHASE }, cell] })),
  ];
}
const PHASE = {
  font: 'Serif',
  bold: true,
  margin: [0, 4, 0, 2] as [number, number, number, number],
};

function inTwoColumns(list: readonly string[]): Content {
  const half = Math.ceil(list.length / 2);
  return {
    columns: [{ ul: list.slice(0, half) }, { ul: list.slice(half) }],
    columnGap: 16,
  };
}

function itemWords(item: ChecklistItem): Content {
  const critical = {
    none: [],
    flag: [{ text: ' · flagged if missed', bold: true }],
    'fails-station': [{ text: ' · fails the station if missed', bold: true }],
  };
  const said = item.saidEarns ? [{ text: ' · saying it earns the mark', italics: true }] : [];
  return { text: [item.text, ...critical[item.criticality], ...said] };
}

export function minuteWords(minutes: number): string {
  return minutes === 1 ? 'one minute' : `${minutes} minutes`;
}
