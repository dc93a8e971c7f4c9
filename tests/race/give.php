<?php

declare(strict_types=1);

// Gives a job to the workers, as the application would: to apply the change list that is named, or to deliver what is
// due.
use MintDoor\Changes\ApplyChangeList;
use MintDoor\Kernel;
use MintDoor\Messages\SendDue;
use Symfony\Component\DependencyInjection\ContainerInterface;
use Symfony\Component\Messenger\MessageBusInterface;

require dirname(__DIR__, 2).'/vendor/autoload.php';
date_default_timezone_set('UTC');

$kernel = new Kernel('test', false);
$kernel->boot();
$container = $kernel->getContainer()->get('test.service_container');
assert($container instanceof ContainerInterface);
$bus = $container->get(MessageBusInterface::class);
assert($bus instanceof MessageBusInterface);
$bus->dispatch('due' === $argv[1] ? new SendDue() : new ApplyChangeList($argv[1]));
