// Runs a program's tests; in the locale of the environment, which the locale runs set to one with a decimal comma.
#include <clocale>
#include <cstdlib>
#include <gtest/gtest.h>
#include <locale>

int main(int argc, char** argv) {
    testing::InitGoogleTest(&argc, argv);
    if (const char* asked = std::getenv("PM_TEST_LOCALE"); asked != nullptr) {
        if (std::setlocale(LC_ALL, asked) == nullptr || std::string_view(std::localeconv()->decimal_point) != ",") {
            std::fprintf(stderr, "the locale %s, with its decimal comma, is not to be had\n", asked);
            return 1;
        }
        std::locale::global(std::locale(asked));
    }
    return RUN_ALL_TESTS();
}
