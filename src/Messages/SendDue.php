<?php

declare(strict_types=1);

namespace MintDoor\Messages;

/** A job: delivers the messages that are due. */
final readonly class SendDue {}
