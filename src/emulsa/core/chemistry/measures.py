"""Volumes and temperatures as they are read off a measure: ml or fl oz, °C or °F."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.chemistry.dilution import Mixed
from emulsa.core.degrees import fahrenheit
from emulsa.core.lengths import ML_PER_FL_OZ, MM_PER_IN
from emulsa.core.limits import Length, plain
from emulsa.core.tones.zones import number_text


@dataclass(frozen=True, kw_only=True, slots=True)
class Measures:
    """How one photographer measures: degrees, volumes, lengths, stops, money and dates.

    Focal lengths and holes stay in millimetres, as they are engraved.
    """

    temperature: Literal["C", "F"] = "C"
    volume: Literal["ml", "fl oz"] = "ml"
    length: Literal["mm", "in"] = "mm"
    stops: Literal["third", "tenth"] = "third"
    currency: Annotated[str, Length("The currency", 0, 4)] = ""
    dates: Literal["day first", "month first", "iso"] = "day first"

    def length_text(self, mm: float) -> str:
        """A length one sets or measures: millimetres, or inches to a hundredth.

        >>> Measures().length_text(30), Measures(length="in").length_text(30)
        ('30 mm', '1.18 in')
        """
        return f"{plain(mm)} mm" if self.length == "mm" else f"{plain(round(mm / MM_PER_IN, 2))} in"

    def stops_text(self, stops: float) -> str:
        """Stops alone, with their sign: to the nearest third or half, or in tenths.

        >>> [Measures().stops_text(each) for each in (0.526, -2, 0.04, 5 / 3)]
        ['+½', '−2', '0', '+1⅔']
        >>> Measures(stops="tenth").stops_text(0.526)
        '+0.5'
        """
        size = number_text(abs(stops)) if self.stops == "third" else f"{abs(stops):.1f}"
        if size in ("0", "0.0"):
            return "0"
        return ("−" if stops < 0 else "+") + size

    def volume_text(self, ml: float) -> str:
        """To a tenth below 20 ml, to the millilitre above; ounces to a hundredth.

        >>> Measures().volume_text(31.25), Measures().volume_text(9.8039)
        ('31 ml', '9.8 ml')
        >>> Measures(volume="fl oz").volume_text(1000)
        '33.81 fl oz'
        """
        if self.volume == "fl oz":
            return f"{plain(round(ml / ML_PER_FL_OZ, 2))} fl oz"
        return f"{plain(round(ml, 1 if ml < 20 else 0))} ml"

    def amount_text(self, ml: float) -> str:
        """The same for what is bought or let run: litres from two on.

        >>> Measures().amount_text(12_623), Measures().amount_text(750)
        ('12.6 l', '750 ml')
        """
        if self.volume == "ml" and ml >= 2_000:
            return f"{plain(round(ml / 1_000, 1))} l"
        return self.volume_text(ml)

    def mix_text(self, parts: Iterable[Mixed]) -> str:
        """What is measured, part by part.

        >>> Measures().mix_text([Mixed(part="concentrate", ml=31.25), Mixed(part="water", ml=969)])
        'concentrate 31 ml, water 969 ml'
        """
        return ", ".join(f"{each.part} {self.volume_text(each.ml)}" for each in parts)

    def degrees(self, celsius: float) -> str:
        """The number alone, to a tenth, as one types it beside the unit.

        >>> Measures().degrees(20), Measures(temperature="F").degrees(20)
        ('20', '68')
        """
        value = celsius if self.temperature == "C" else fahrenheit(celsius)
        return plain(round(value, 1))

    def temperature_text(self, celsius: float) -> str:
        """To a tenth of a degree.

        >>> Measures().temperature_text(20), Measures(temperature="F").temperature_text(20)
        ('20 °C', '68 °F')
        """
        return f"{self.degrees(celsius)} °{self.temperature}"
