import { commandLine } from './commandLine.ts';

process.exitCode = await commandLine(process.argv.slice(2));
