"""What the server does once a day by itself: forget what has lain long enough."""
