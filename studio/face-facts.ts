import { keepPreviousData, useQuery } from "@tanstack/react-query";
import type { Lettering } from "@/core/piece/schema";
import { session } from "./state/session";
import { studioNow } from "./state/store";
import { fileOf } from "./state/work";

/** What the face of a lettering offers for its text; undefined until it is known. */
export function useFaceFacts({ id, text, face, axes, features, language, direction }: Lettering) {
  return useQuery({
    queryKey: ["face facts", id, text, face, axes, features, language, direction],
    queryFn: () => session().scene.ask((w) => w.faceFacts(fileOf(studioNow().work!), id)),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 30_000,
  }).data;
}

/** The other forms of the letter at a place of the text. */
export function useAlternates({ id, text, face, axes, features, language, direction }: Lettering, at: number | undefined) {
  return useQuery({
    queryKey: ["alternates", id, text, face, axes, features, language, direction, at],
    queryFn: () => session().scene.ask((w) => w.alternates(fileOf(studioNow().work!), id, at!)),
    enabled: at !== undefined,
    staleTime: Infinity,
    gcTime: 30_000,
  }).data;
}
