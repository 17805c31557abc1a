import { OpenDayNotice } from './parts.js';
OpenDayNotice({ title: 'Rain' }, 'The tasting moves to the barn.');
