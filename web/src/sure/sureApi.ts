import { client, done, figured, type Bed, type Schemas } from "../api/client";

export type SureFigures = Schemas["SureFigures"];
export type SureBed = Schemas["SureBed"];
export type SureNeed = Schemas["SureNeed"];
export type SureFigure = Schemas["SureFigure"];
export type WhatIfAsked = Schemas["WhatIfAsked"];
export type WhatIfFigures = Schemas["WhatIfFigures"];
export type WhatIfParts = Schemas["WhatIfParts"];
export type NarrowWay = Schemas["NarrowWay"];
export type WorthMeasuring = Schemas["WorthMeasuring"];
export type Measured = Schemas["ReadOff"];

/** What is asked about how sure figures are. */
export const sureApi = {
  garden: async (garden_id: number) =>
    figured<SureFigures>(
      await client.GET("/api/gardens/{garden_id}/figure/sure", { params: { path: { garden_id } } }),
    ),

  draft: async (garden_id: number, bed: Bed, signal?: AbortSignal) =>
    figured<SureBed>(
      await client.POST("/api/gardens/{garden_id}/figure/sure", {
        params: { path: { garden_id } },
        body: { bed },
        signal,
      }),
    ),

  whatIf: async (garden_id: number, body: WhatIfAsked, signal?: AbortSignal) =>
    figured<WhatIfFigures>(
      await client.POST("/api/gardens/{garden_id}/figure/what-if", {
        params: { path: { garden_id } },
        body,
        signal,
      }),
    ),

  takeIn: async (garden_id: number, measured: Measured) =>
    done(
      await client.POST("/api/gardens/{garden_id}/measured", {
        params: { path: { garden_id } },
        body: measured,
      }),
    ),
};
