"""Does the bed suit the crop, and from when?"""
