import { QueryClient } from "@tanstack/react-query";

/** What the page has asked the server, remembered for a moment. Nothing is asked while pages are drawn on the server. */
export const queries = new QueryClient({ defaultOptions: { queries: { staleTime: 1000, retry: 1 } } });
