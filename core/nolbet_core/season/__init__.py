"""What a season's log says: how a bed really sinks, and whether one way bears more than another."""
