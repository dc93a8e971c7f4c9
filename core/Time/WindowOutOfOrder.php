<?php

declare(strict_types=1);

namespace MintDoor\Core\Time;

/** A window would end before it begins. */
final class WindowOutOfOrder extends \InvalidArgumentException {}
