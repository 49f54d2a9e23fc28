// A disk that is soon full: a small file system in memory. Mounting one needs the right to; where that is missing a
// limit on the size of files stands in, at which a write fails just the same (EFBIG in place of ENOSPC).
#pragma once

#include "support/files.h"

#include <csignal>
#include <string>
#include <sys/mount.h>
#include <sys/resource.h>

namespace support {

class SmallDisk {
  public:
    explicit SmallDisk(int kilobytes = 256) {
        const std::string size = "size=" + std::to_string(kilobytes) + "k";
        mounted_ = mount("tmpfs", folder_.path().c_str(), "tmpfs", 0, size.c_str()) == 0;
        if (mounted_) return;
        signal(SIGXFSZ, SIG_IGN);
        getrlimit(RLIMIT_FSIZE, &before_);
        rlimit limit = before_;
        limit.rlim_cur = static_cast<rlim_t>(kilobytes) * 800;
        setrlimit(RLIMIT_FSIZE, &limit);
    }
    ~SmallDisk() {
        if (mounted_)
            umount(folder_.path().c_str());
        else
            setrlimit(RLIMIT_FSIZE, &before_);
    }
    SmallDisk(const SmallDisk&) = delete;
    SmallDisk& operator=(const SmallDisk&) = delete;
    const Folder& folder() const { return folder_; }
    bool isMounted() const { return mounted_; }

  private:
    Folder folder_;
    bool mounted_ = false;
    rlimit before_{};
};

} // namespace support
