<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\DBAL\Exception\RetryableException;

/** What was looked at before the locks is not all there is any more: the whole of it is done again. */
final class LookAgain extends \RuntimeException implements RetryableException {}
