"""Judgement: one small class for each finding, all listed in `every`, each with its mend where one click can do it."""
