import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { setMe } from '../../shared/useMe';
import { forgetSnapshot } from '../../shared/outbox/snapshot';

// What is the booth's and the page's own, whoever stands there.
const stays = new Set<unknown>(['booth', 'code', 'me']);

/**
 * Whether what a tablet shows may be whoever's stands there now. Somebody may leave, or be taken for gone by the server: nothing of theirs
 * stays behind for whoever stands here next, and until that is so nobody's is shown.
 * @param student Who stands here; null for nobody.
 */
export function useSettled(student: string | null) {
  const queries = useQueryClient();
  const [settled, setSettled] = useState(student);
  // Nobody leaves nothing behind.
  if (settled === null && student !== null) setSettled(student);
  useEffect(() => {
    if (settled === null || settled === student) return;
    window.sessionStorage.clear();
    setMe(queries, null);
    queries.removeQueries({ type: 'inactive', predicate: ({ queryKey }) => !stays.has(queryKey[0]) });
    void forgetSnapshot()
      .catch(reportError)
      .then(() => setSettled(student));
  }, [queries, settled, student]);
  return settled === student;
}
