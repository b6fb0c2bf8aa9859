import type { Rule } from 'eslint';

export declare const noFloatingCalls: Rule.RuleModule;
