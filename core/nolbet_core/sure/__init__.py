"""How sure a garden's figures are: beds, needs and costs in many gardens at once, as they may turn out."""
