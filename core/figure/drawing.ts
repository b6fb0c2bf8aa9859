import type { HandRole } from './spec.ts';

/** A tapered limb on paper: two circles and what lies between them. */
export interface Capsule {
  readonly x1: number;
  readonly y1: number;
  readonly r1: number;
  readonly x2: number;
  readonly y2: number;
  readonly r2: number;
}

export type Tone = 'near' | 'far' | 'ghost';
export type XY = readonly [number, number];

/** A part of the body: skin, tinted where the procedure is about it, or hair. */
export interface BodyPart extends Capsule {
  readonly fill: 'skin' | 'tinted' | 'hair';
}

/**
 * What a figure is made of, in the order in which it is drawn. Lengths are fractions of stature,
 * y upwards. Roles are told apart by shape and label, never by colour alone.
 */
export type Shape =
  /** Parts of the body that share one outline: a limb, the trunk. */
  | {
      readonly kind: 'body';
      readonly tone: Tone;
      readonly parts: readonly BodyPart[];
    }
  | {
      readonly kind: 'face';
      readonly seen: 'profile' | 'face' | 'back';
      readonly eyes: readonly XY[];
      /** Mouth and bridge of the nose, as lines. */
      readonly traits: readonly (readonly XY[])[];
      readonly ears: readonly Capsule[];
    }
  | {
      readonly kind: 'prop';
      readonly prop: string;
      readonly points: readonly XY[];
      readonly label: string;
    }
  | { readonly kind: 'sector'; readonly centre: XY; readonly points: readonly XY[] }
  | { readonly kind: 'ray'; readonly from: XY; readonly to: XY; readonly dashed: boolean }
  | {
      readonly kind: 'hand';
      readonly role: HandRole;
      readonly at: XY;
      readonly away: XY;
      /** Drawn so that what it covers, or what covers it, shows through. */
      readonly faint: boolean;
    }
  | {
      readonly kind: 'arrow';
      readonly points: readonly XY[];
      readonly byPatient: boolean;
      readonly heads: 'end' | 'both';
    }
  | {
      readonly kind: 'towards-viewer';
      readonly at: XY;
      readonly away: boolean;
      readonly byPatient: boolean;
    }
  | {
      readonly kind: 'label';
      readonly at: XY;
      readonly text: string;
      readonly anchor: 'start' | 'middle' | 'end';
    };

/** Left, bottom, width and height in statures. */
export type Box = readonly [number, number, number, number];

export interface Picture {
  readonly shapes: readonly Shape[];
  /** Holds all that is drawn, with a margin. */
  readonly box: Box;
}

/** A small picture beside the whole: a close-up, or a turn looked at along the limb. */
export interface Detail extends Picture {
  readonly title: string;
}

export interface Drawing extends Picture {
  readonly details: readonly Detail[];
  /** The same in words. */
  readonly text: string;
}
