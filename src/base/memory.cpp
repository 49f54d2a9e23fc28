#include "base/memory.h"

#include <malloc.h>

namespace base {

void giveBackLargePieces() {
    mallopt(M_MMAP_THRESHOLD, 1 << 20);
}

} // namespace base
