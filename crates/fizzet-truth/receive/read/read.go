// The argument of this number, read in the usual way.
package main

import (
	"fmt"
	"os"
	"strconv"
)

func main() {
	at, _ := strconv.Atoi(os.Getenv("READ"))
	fmt.Printf("value [%s]\n", os.Args[at])
}
