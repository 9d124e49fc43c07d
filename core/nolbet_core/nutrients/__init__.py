"""What feeds: carbon to nitrogen, the first season's nitrogen layer by layer, and the dose that closes a gap."""
