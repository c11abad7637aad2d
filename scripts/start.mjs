// npm start: installs, builds what has changed, serves on loopback and prints the address.
import { build, checkNode, install, startServer } from './steps.mjs';

checkNode();
install();
build();
const server = startServer();
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 1));
