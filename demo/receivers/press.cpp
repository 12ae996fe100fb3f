// What C++ shows of the vector: each name and its value, a NUL behind each.
#include <iostream>
#include <string>
#include <vector>

int main(int argc, char **argv) {
    std::vector<std::string> all(argv, argv + argc);
    std::cout << "argc " << argc << '\0';
    for (std::size_t at = 0; at < all.size(); at++) std::cout << "argv[" << at << "] " << all[at] << '\0';
    std::cout << "argv[" << argc << "] " << (argv[argc] ? "a string" : "NULL") << '\0';
}
