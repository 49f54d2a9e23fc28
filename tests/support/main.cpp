// Runs a program's tests, each process in folders of its own: what one keeps, another does not clear away. In the
// locale of the environment, which the locale runs set to one with a decimal comma.
#include "support/files.h"

#include <clocale>
#include <cstdlib>
#include <gtest/gtest.h>
#include <locale>

int main(int argc, char** argv) {
    testing::InitGoogleTest(&argc, argv);
    const support::Folder home;
    unsetenv("PATIENT_METRE_DATA");
    setenv("XDG_CACHE_HOME", (home / "cache").c_str(), 1);
    setenv("XDG_DATA_HOME", (home / "data").c_str(), 1);
    if (const char* asked = std::getenv("PM_TEST_LOCALE"); asked != nullptr) {
        if (std::setlocale(LC_ALL, asked) == nullptr || std::string_view(std::localeconv()->decimal_point) != ",") {
            std::fprintf(stderr, "the locale %s, with its decimal comma, is not to be had\n", asked);
            return 1;
        }
        std::locale::global(std::locale(asked));
    }
    return RUN_ALL_TESTS();
}
