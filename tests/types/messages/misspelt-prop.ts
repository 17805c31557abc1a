import { VarietyCard } from './parts.js';
VarietyCard({ title: 'Dunlight', seson: 'late' });
