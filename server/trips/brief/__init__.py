"""Helpers of a brief that belong to no document: want sets, other ways to type a want, exposure times."""
