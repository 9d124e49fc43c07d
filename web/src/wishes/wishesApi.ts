import { client, done, unwrap, type KeptBed, type Schemas, type Stock } from "../api/client";
import { linesOf } from "../api/lines";

export type Wishes = Schemas["Wishes"];
export type WishesLooked = Schemas["WishesLooked"];
export type Proposal = Schemas["ProposalFigures"];
export type Ease = Schemas["EaseFigures"];

/** What Wishes asks. */
export const wishesApi = {
  start: async (garden_id: number) =>
    unwrap(await client.GET("/api/gardens/{garden_id}/wishes", { params: { path: { garden_id } } })),

  /** Beds that wishes allow, told line by line while they are looked for. */
  look: async (garden_id: number, wishes: Wishes, signal: AbortSignal) => {
    const { response, error } = await client.POST("/api/gardens/{garden_id}/figure/wishes", {
      params: { path: { garden_id } },
      body: wishes,
      parseAs: "stream",
      signal,
    });
    if (error) unwrap({ response, error } as Parameters<typeof unwrap>[0]);
    if (!response.ok || !response.body) throw new TypeError(`The server answered ${response.status}.`);
    return linesOf<WishesLooked>(response.body);
  },

  end: async (garden_id: number) =>
    done(
      await client.POST("/api/gardens/{garden_id}/figure/wishes/end", { params: { path: { garden_id } } }),
    ),

  take: async (garden_id: number, bed: Proposal["bed"], stock: readonly Stock[]): Promise<KeptBed> =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/wishes/take", {
        params: { path: { garden_id } },
        body: { bed: bed as KeptBed["bed"], stock: [...stock] },
      }),
    ),
};
