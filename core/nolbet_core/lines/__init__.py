"""Water led to beds: drip lines with their emitters and head, and zones that the tap can feed."""
