"""The rules of the job: pure functions and frozen models.

One module or package per step of the work, in the order of the work. A rule may use the rules before it, never
those after it (import-linter holds the order):

    quantities  what is typed on a tape measure, and how it is shown back
    shapes      every shape's hollow: area at a height, volume between heights, height for a volume, outlines
    shelf       the materials and sheets, each figure with unit, range and source
    blend       soil mixes: what they are like, what they take, the cheapest that fits
    stack       layers by depth, voids and packing, sheets, masses
    plot        beds on the ground: aisles, clashes, paths and their courses, levels, room for more
    settling    how far fill sinks: by month, with its spread, and what tops it up
    nutrients   carbon to nitrogen, the first season's nitrogen, doses of meals
    climate     a garden's year: its temperature, its springs and winters
    reservoir   water under the soil: what it holds, how high it wicks, how long it lasts, whether it leaks
    planting    how deep roots can go, and from when what may be sown
    schools     ready starting stacks that scale to the bed
    haul        needs less what is on hand, bags or bulk, what it costs
    works       the work itself: what a person gets done in an hour
    plan        the words of the plan file: its models, and documents of every edition read
    built       a bed of the plan as built, what follows from it, and everything that is wrong with it
    findings    judgement: one small class each, with its mend
    figure      walks one plan through all of them

Nothing here reads the clock, a network, Django or a screen; the only files read are the package's own data.
"""
