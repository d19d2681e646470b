import { useChange } from '../../api/changes';
import { api } from '../../api/client';
import type { DecisionForm } from '../../api/types';

export const useDecide = () => useChange((body: DecisionForm) => api.POST('/api/decisions', { body }));
