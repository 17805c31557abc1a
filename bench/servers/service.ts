// The JSON service in a process of its own, so that its time is nobody else's.
import { listen } from '../../examples/servers/listen.js';
import { createService } from '../../examples/servers/service.js';

process.send?.({ url: await listen(createService()) });
process.on('disconnect', () => process.exit());
