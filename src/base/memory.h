// Memory of a program that comes and goes in large pieces.
#pragma once

namespace base {

// From now on pieces of memory from a megabyte on go back to the system as soon as they are freed, instead of lying
// about between small ones until nobody can use them. Called once, before there are other threads.
void giveBackLargePieces();

} // namespace base
