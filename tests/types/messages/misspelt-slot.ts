import { VarietyCard } from './parts.js';
VarietyCard({ title: 'Dunlight' }, { badg: 'New' });
