"""The rules of the job: pure functions and frozen models.

One module or package per step of the work, in the order of the work. A rule may use the rules before it, never
those after it (import-linter holds the order):

    quantities  what is typed on a tape measure, and how it is shown back
    shapes      every shape's hollow: area at a height, volume between heights, height for a volume, outlines
    shelf       the materials and sheets, each figure with unit, range and source
    stack       layers by depth, voids and packing, sheets, masses
    plot        beds on the ground: aisles, clashes, paths and their courses, levels, room for more
    haul        needs less what is on hand, bags or bulk, what it costs
    plan        the plan file's models and their checks
    findings    judgement: one small class each, with its mend
    figure      walks one plan through all of them

Nothing here reads the clock, a network, Django or a screen; the only files read are the package's own data.
"""
