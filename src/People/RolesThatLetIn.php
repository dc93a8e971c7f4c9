<?php

declare(strict_types=1);

namespace MintDoor\People;

use MintDoor\Shared\Caller;

/** What the directory has to know of roles, which come after it: whose sites reach whom. */
interface RolesThatLetIn
{
    /** @return list<string> codes of the roles in which the caller lets people into a site */
    public function rolesThatLetIn(Caller $caller): array;
}
