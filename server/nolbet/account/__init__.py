"""Accounts: who may sign in from where and how often, their sessions, codes, and their end."""
