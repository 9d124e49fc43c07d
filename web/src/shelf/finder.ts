import type { Material } from "../api/client";

export type FinderProps = {
  gardenId: number;
  label: string;
  value: Material | null;
  onChoose: (material: Material) => void;
  /** Which of the shelf may be chosen here. */
  suits?: (material: Material) => boolean;
  autoFocus?: boolean;
};

export const FINDER_ROOM = { flex: "1 1 180px", minWidth: "min(160px, 100%)" } as const;
