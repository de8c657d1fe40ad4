"""What every part of the server stands on: documents with versions, errors, headers, answers on the wire."""
