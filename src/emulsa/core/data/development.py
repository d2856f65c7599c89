"""Rule-of-thumb developing times for N, as factors of normal. Common practice, no source."""

THUMB = ((-2.0, 0.65), (-1.0, 0.80), (0.0, 1.0), (1.0, 1.35), (2.0, 1.80))  # N, factor of normal
ROTARY = 0.85  # continuous rotary agitation: −10…−20 %, the middle of it (common practice)
SHORT_MIN = 5.0  # shorter risks uneven development (common practice)
TOO_SHORT_MIN = 4.0  # shorter very likely is uneven (common practice)
BATH_C = 20.0  # where times are meant for, unless something else is said (common practice)
K_PER_C = 0.09  # 0.07–0.10 per °C, typical for general developers (from memory)
ALLOWED_C = (18.0, 27.0)  # where the one-constant law holds (common practice, no source)
OWN_C = 0.5  # so near a recipe's own temperature its time stands (common practice)
UNCRITICAL = ("semi-stand", "stand")  # schemes whose temperature hardly matters (common practice)
UNCRITICAL_C = 2.0  # within so much of the recipe's temperature
FREE_ERROR_STOPS = 1 / 6  # an exposure error smaller than this is not developed for
