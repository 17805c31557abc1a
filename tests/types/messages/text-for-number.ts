import { VarietyCard } from './parts.js';
VarietyCard({ title: 'Dunlight', crates: '3' });
