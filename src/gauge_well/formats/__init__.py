"""JSON, CSV, XLSX, PDF, SVG and GPX in and out; JSON is the sheet itself, the others follow."""
