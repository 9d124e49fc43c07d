"""Figure: walks one plan through every rule. Plan in, figures out."""
