// Numbers to and from text, the same in every locale.
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace base {

// The shortest decimal text that numberFrom() reads back as the very same number: "0.1", "1e-07". Any thread.
std::string numberText(double value);

// A number as numberText() writes it; also hexadecimal floats ("0x1.8p+1"). The whole text must be one finite
// number, with a decimal point whatever the locale. Any thread.
std::optional<double> numberFrom(std::string_view text);

// A number as a person types it: spaces around it, a point or a comma before the decimals.
std::optional<double> typedNumber(std::string_view text);

} // namespace base
