"""The plot: beds placed on measured ground, aisles between them, paths over the rest, levels from spot heights."""
