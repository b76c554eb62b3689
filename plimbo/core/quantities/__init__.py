"""Numbers with their unit: fields of documents and answers, display units, own defaults, sentences, errors."""
