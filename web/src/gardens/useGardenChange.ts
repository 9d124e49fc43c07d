import { useMutation, useQueryClient } from "@tanstack/react-query";

/** What follows any change to the gardens: the list is asked for again. */
export function useGardenChange<T>(change: () => Promise<T>, then?: (result: T) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: async (result) => {
      await queries.invalidateQueries({ queryKey: ["gardens"] });
      then?.(result);
    },
  });
}
