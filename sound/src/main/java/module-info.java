module wildflourish.sound { requires wildflourish.core; }
