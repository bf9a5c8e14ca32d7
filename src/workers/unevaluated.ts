import { config } from 'zod';

// Pages and their workers may not make code of text, not even to find out whether they may.
config({ jitless: true });
