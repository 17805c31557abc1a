import { VarietyCard } from './parts.js';
VarietyCard({ crates: 3 });
