// What Go shows of the vector: each name and its value, a NUL behind each.
package main

import (
	"fmt"
	"os"
)

func main() {
	fmt.Printf("len(os.Args) %d\x00", len(os.Args))
	for at, jar := range os.Args {
		fmt.Printf("os.Args[%d] %s\x00", at, jar)
	}
}
