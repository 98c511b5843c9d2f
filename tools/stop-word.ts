/** An end that was foreseen: its sentence is printed, without a stack, and the exit code is 1. */
export class StopWord extends Error {}

/** Runs a tool's main function and turns its end into an exit code. */
export function runTool(main: () => Promise<number>) {
  main().then(
    (code) => process.exit(code),
    (error: unknown) => {
      process.stderr.write(
        `${error instanceof StopWord ? `rocchetto: ${error.message}` : ((error as Error).stack ?? error)}\n`,
      );
      process.exit(1);
    },
  );
}
