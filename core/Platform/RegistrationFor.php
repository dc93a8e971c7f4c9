<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** Who may make an account in a division for themselves. */
enum RegistrationFor: string
{
    case Nobody = 'nobody';

    /** Whoever has an address at one of some domains. */
    case Domains = 'domains';

    /** Whoever has been told the code of the division. */
    case Code = 'code';
    case Anybody = 'anybody';
}
