import { client, done, unwrap, type Schemas } from "../api/client";

export type Account = Schemas["Account"];
export type Session = Schemas["Session"];

/** What is asked of accounts: at the door, and by who is in. */
export const accountApi = {
  account: async () => unwrap(await client.GET("/api/account")),

  signIn: async (name: string, password: string) =>
    unwrap(await client.POST("/api/account/sign-in", { body: { name, password } })),

  signUp: async (name: string, password: string) =>
    unwrap(await client.POST("/api/account/sign-up", { body: { name, password } })),

  signOut: async () => unwrap(await client.POST("/api/account/sign-out")),

  changePassword: async (old: string, wanted: string) =>
    unwrap(await client.PUT("/api/account/password", { body: { old, new: wanted } })),

  askForCode: async (name: string) => done(await client.POST("/api/account/code", { body: { name } })),

  passwordByCode: async (name: string, code: string, wanted: string) =>
    unwrap(await client.POST("/api/account/reset", { body: { name, code, new: wanted } })),

  sessions: async () => unwrap(await client.GET("/api/account/sessions")),

  endSession: async (name: string) =>
    unwrap(await client.DELETE("/api/account/sessions/{name}", { params: { path: { name } } })),

  endOtherSessions: async () => unwrap(await client.DELETE("/api/account/sessions")),

  changeMail: async (mail: string, password: string) =>
    unwrap(await client.PUT("/api/account/mail", { body: { mail, password } })),

  leave: async (password: string) => unwrap(await client.POST("/api/account/leave", { body: { password } })),

  stay: async () => unwrap(await client.POST("/api/account/stay")),
};
