import { VarietyCard } from './parts.js';
VarietyCard({ title: 'Dunlight', season: 'middle' });
