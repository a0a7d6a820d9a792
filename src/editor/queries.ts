import { QueryClient } from '@tanstack/react-query';

/** What was heard from the server and how fresh it is: every page and panel asks here, and tells here what it changed. */
export const queries = new QueryClient({ defaultOptions: { queries: { retry: 1 } } });
