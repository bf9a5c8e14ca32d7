import { run } from './main';

// Whoever reads only the first lines closes the pipe: nothing is wrong then.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error;
});

void run(
  process.argv.slice(2),
  (text) => process.stdout.write(text),
  (text) => process.stderr.write(text),
).then((code) => {
  process.exitCode = code;
});
