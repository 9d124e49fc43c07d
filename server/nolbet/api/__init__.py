"""The API: one router for each word of the work, each a few lines that load, ask the core, and answer."""
