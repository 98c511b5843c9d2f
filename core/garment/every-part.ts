import { loadEveryPart } from './registry.ts';

// What imports this goes on once every part of the house is there.
await loadEveryPart();
