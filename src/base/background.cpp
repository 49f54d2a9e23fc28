#include "base/background.h"

#include <sys/resource.h>
#include <unistd.h>

namespace base {

void workInBackground() {
    setpriority(PRIO_PROCESS, static_cast<id_t>(gettid()), 10);
}

} // namespace base
