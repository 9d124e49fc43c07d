"""The stack: layers by depth, what runs down into voids, sheets, and what it all weighs."""
