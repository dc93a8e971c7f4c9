<?php

declare(strict_types=1);

namespace MintDoor\People;

/** What the directory has to know of roles, which come after it: whose sites reach whom. */
interface RolesThatLetIn
{
    /** @return list<string> codes of the roles that let people into a site */
    public function rolesThatLetIn(): array;
}
