"""Scenes that are drawn, not photographed: descriptions in words and figures, and what paints them.

``python -m scenery FOLDER`` writes each as a field of exposure values. Nothing here is shipped.
"""
