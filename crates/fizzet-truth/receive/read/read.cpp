// The argument of this number, read in the usual way.
#include <cstdlib>
#include <iostream>
#include <string>
int main(int argc, char **argv) {
    std::string text = argv[std::atoi(std::getenv("READ"))];
    std::cout << "value [" << text << "]\n";
}
