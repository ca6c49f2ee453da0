// The whole check: set-up, lint, types, every test; closes on one line of counts.
import { run, say, setUp } from './setup.mjs';

setUp({ chromium: true });
say('lint');
run('npm', ['run', '--silent', 'lint']);
say('types');
run('npm', ['run', '--silent', 'types']);
say('tests');
run('npx', ['mocha', ...process.argv.slice(2)]);
