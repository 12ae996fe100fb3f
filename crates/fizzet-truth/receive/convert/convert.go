// What Go's conversions make of each argument: its number, the conversion, the result.
package main

import (
	"errors"
	"fmt"
	"math"
	"os"
	"strconv"
)

func tell(at int, name string, value string, err error) {
	if errors.Is(err, strconv.ErrRange) {
		value = "ErrRange"
	} else if err != nil {
		value = "ErrSyntax"
	}
	fmt.Println(at, name, value)
}

func main() {
	for which, text := range os.Args[1:] {
		number, err := strconv.Atoi(text)
		tell(which+1, "strconv.Atoi", fmt.Sprint(number), err)
		wide, err := strconv.ParseInt(text, 0, 64)
		tell(which+1, "strconv.ParseInt-0", fmt.Sprint(wide), err)
		real, err := strconv.ParseFloat(text, 64)
		shown := fmt.Sprintf("%016x", math.Float64bits(real))
		if real != real {
			shown = "nan"
		}
		tell(which+1, "strconv.ParseFloat", shown, err)
	}
}
