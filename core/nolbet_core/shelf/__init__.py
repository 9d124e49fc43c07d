"""The shelf: every material and sheet, each figure with its unit, its range and where it comes from."""
