"""Planning backwards: from what a gardener has, wants and may to the beds that could be built."""
