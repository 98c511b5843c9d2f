/** An end that was foreseen: its sentence is printed, without a stack, and the exit code is 1. */
export class StopWord extends Error {}

/** Ends when all that was written has been read: a pipe takes it a piece at a time. */
const endWith = (code: number) =>
  process.stdout.write('', () => process.stderr.write('', () => process.exit(code)));

/** Runs a tool's main function and turns its end into an exit code. */
export function runTool(main: () => Promise<number>) {
  main().then(endWith, (error: unknown) => {
    process.stderr.write(
      `${error instanceof StopWord ? `rocchetto: ${error.message}` : ((error as Error).stack ?? error)}\n`,
    );
    endWith(1);
  });
}
