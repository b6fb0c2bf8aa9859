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

/**
 * What a figure is made of, in the order in which it is drawn. Lengths are fractions of stature,
 * y upwards. Roles are told apart by shape and label, never by colour alone.
 */
export type Shape =
  /** Parts of the body that share one outline: a limb, the trunk. */
  | {
      readonly kind: 'body';
      readonly tone: Tone;
      readonly parts: readonly (Capsule & { readonly tinted: boolean })[];
    }
  | {
      readonly kind: 'face';
      readonly tone: Tone;
      readonly x: number;
      readonly y: number;
      readonly nose: XY | null;
      readonly seen: 'profile' | 'face' | 'back';
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
      readonly behind: boolean;
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

export interface Drawing {
  readonly shapes: readonly Shape[];
  /** Left, bottom, width, height of all that is drawn, with a margin. */
  readonly box: readonly [number, number, number, number];
  /** A second drawing that looks along a segment, where its own rotation is the point. */
  readonly inset: { readonly title: string; readonly drawing: Drawing } | null;
  /** The same in words. */
  readonly text: string;
}
