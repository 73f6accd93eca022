import fc from 'fast-check';

// The same random pages, plans and edits on every run; KAMINO_SEED asks for others.
fc.configureGlobal({ seed: Number(process.env['KAMINO_SEED'] ?? 20_261_127) });
