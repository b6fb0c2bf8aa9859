/**
 * The rule of a cluster answer: an interpretation that needs a combination, which the setter
 * defines (history, line tenderness, springy end feel, and two of three tests).
 */
export interface ClusterRule {
  /** All of these must be named. */
  readonly needs: readonly string[];
  /** And so many of these. */
  readonly from?: { readonly atLeast: number; readonly of: readonly string[] } | undefined;
  /** Naming one of these spoils the answer: it speaks for something else. */
  readonly never?: readonly string[] | undefined;
}

/**
 * The share of the mark that a set of named findings earns, in [0, 1]: 1 where the rule is
 * fulfilled, 0 where a finding that must not be named was, otherwise the part of what is needed
 * that was named, but at most one half: half a cluster is no cluster.
 *
 * Throws `RangeError` for a rule that can never be fulfilled.
 * Worked value: needs a and b; a alone earns .5; a and b earn 1; a, b and a wrong one earn 0.
 */
export function clusterShare(rule: ClusterRule, named: ReadonlySet<string>): number {
  const { needs, from, never = [] } = rule;
  if (from && from.atLeast > from.of.length) {
    throw new RangeError(`The rule asks for ${from.atLeast} of ${from.of.length} findings.`);
  }
  if (never.some((finding) => named.has(finding))) return 0;
  const fixed = needs.filter((finding) => named.has(finding)).length;
  const chosen = from ? from.of.filter((finding) => named.has(finding)).length : 0;
  const wanted = needs.length + (from?.atLeast ?? 0);
  const reached = fixed + Math.min(chosen, from?.atLeast ?? 0);
  if (wanted === 0) throw new RangeError('The rule asks for nothing.');
  return reached === wanted ? 1 : Math.min(0.5, reached / wanted);
}
